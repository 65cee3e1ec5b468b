using System.Collections.Immutable;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>Written words, with the line breaks and size that the author's screen gave them, so that every screen and print agrees.</summary>
/// <param name="Text">What was typed, with its own line feeds.</param>
/// <param name="Language">BCP 47 tag.</param>
/// <param name="Lines">The text as broken into lines.</param>
/// <param name="Size">Height of the type (em), 1/100 mm.</param>
/// <param name="Also">The same in other languages, each once; null for none.</param>
public sealed record Words(string Text, string Language, ImmutableArray<string> Lines, int Size, [Since(2)] ImmutableArray<Translation>? Also = null);

/// <summary>Words in another language, fitted into the same place.</summary>
/// <param name="Language">BCP 47 tag.</param>
/// <param name="Text">The text.</param>
/// <param name="Lines">The text as broken into lines.</param>
/// <param name="Size">Height of the type (em), 1/100 mm.</param>
public sealed record Translation(string Language, string Text, ImmutableArray<string> Lines, int Size);
