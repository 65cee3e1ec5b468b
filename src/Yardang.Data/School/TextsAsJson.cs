using System.Collections.Immutable;
using System.Text.Json;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using Yardang.Core.Pages;

namespace Yardang.Data.School;

/// <summary>A text in several languages in one column: {"en":"...","es":"..."}.</summary>
internal sealed class TextsAsJson() : ValueConverter<Texts, string>(
    texts => JsonSerializer.Serialize(texts.ByLanguage, JsonSerializerOptions.Default),
    json => new Texts(JsonSerializer.Deserialize<ImmutableSortedDictionary<string, string>>(json, JsonSerializerOptions.Default)!.WithComparers(StringComparer.Ordinal)));
