using System.Collections.Immutable;
using System.Text.Json;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using Yardang.Core.Lessons;

namespace Yardang.Data.School;

/// <summary>The parts of a lesson in one column: [{"Number":1,"Kind":1,"Way":0,"IsOpen":true}].</summary>
internal sealed class PartsAsJson() : ValueConverter<ImmutableArray<LessonPart>, string>(
    parts => JsonSerializer.Serialize(parts, JsonSerializerOptions.Default),
    json => JsonSerializer.Deserialize<ImmutableArray<LessonPart>>(json, JsonSerializerOptions.Default));

/// <summary>Parts are the same if each of them is.</summary>
internal sealed class SameParts() : ValueComparer<ImmutableArray<LessonPart>>(
    (one, other) => one.SequenceEqual(other),
    parts => parts.Aggregate(0, (hash, part) => HashCode.Combine(hash, part)),
    parts => parts);
