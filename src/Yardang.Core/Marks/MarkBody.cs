using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Activities;
using Yardang.Core.Ink;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>What a mark is made of. A closed set. Places and sizes are in page coordinates, 1/100 mm.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(InkBody), "ink")]
[JsonDerivedType(typeof(TextBody), "text")]
[JsonDerivedType(typeof(NoteBody), "note")]
[JsonDerivedType(typeof(BubbleBody), "bubble")]
[JsonDerivedType(typeof(ShapeBody), "shape")]
[JsonDerivedType(typeof(PictureBody), "picture")]
[JsonDerivedType(typeof(FormulaBody), "formula")]
[JsonDerivedType(typeof(StampBody), "stamp")]
[JsonDerivedType(typeof(ConnectorBody), "connector")]
[JsonDerivedType(typeof(ZoneBody), "zone")]
[Family(Flat = true)]
public abstract record MarkBody;

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

/// <summary>A stroke of ink.</summary>
[Kind(1)]
public sealed record InkBody(ImmutableArray<InkPoint> Points) : MarkBody;

/// <summary>Text straight on the page. X, Y is its top left corner.</summary>
[Kind(2)]
public sealed record TextBody(int X, int Y, int Width, int Height, Words Words) : MarkBody;

/// <summary>Words on a coloured slip. X, Y is its top left corner.</summary>
[Kind(3)]
public sealed record NoteBody(int X, int Y, int Width, int Height, Words Words) : MarkBody;

/// <summary>Words in a bubble whose tip points at who or what says them. X, Y is the top left corner of the bubble without its tip.</summary>
[Kind(6)]
public sealed record BubbleBody(int X, int Y, int Width, int Height, Words Words, int TipX, int TipY) : MarkBody;

/// <summary>How the points of a shape are meant. The numbers are on the wire.</summary>
public enum ShapeKind
{
    /// <summary>Two points or more, in a row.</summary>
    Line = 1,

    /// <summary>Three corners or more, closed.</summary>
    Polygon = 2,

    /// <summary>Two opposite corners of the box that it fills; a circle if the box is square.</summary>
    Ellipse = 3,

    /// <summary>Where a part of a circle begins, a point on the way, and where it ends.</summary>
    Arc = 4,
}

/// <summary>A line, polygon, ellipse or arc.</summary>
/// <param name="Shape">Which.</param>
/// <param name="Points">x, y, x, y ...</param>
[Kind(4)]
public sealed record ShapeBody(ShapeKind Shape, ImmutableArray<int> Points) : MarkBody;

/// <summary>A picture. X, Y is its top left corner.</summary>
/// <param name="X">From the left.</param>
/// <param name="Y">From the top.</param>
/// <param name="Width">How wide it is shown.</param>
/// <param name="Height">How high it is shown.</param>
/// <param name="Media">Its name in the media store: the SHA-256 of its bytes, 64 hexadecimal digits.</param>
/// <param name="Description">What it shows, for those who cannot see it.</param>
/// <param name="Text">The words that can be read on it, for search and screen readers: of a page of a document. Null for none.</param>
[Kind(5)]
public sealed record PictureBody(int X, int Y, int Width, int Height, string Media, string Description, [Since(2)] string? Text = null) : MarkBody;

/// <summary>A formula, with the drawing that its author's screen made of it, so that no other screen or print needs to typeset it.</summary>
/// <param name="X">Left edge.</param>
/// <param name="Y">Top edge.</param>
/// <param name="Width">Width of the drawing.</param>
/// <param name="Height">Height of the drawing.</param>
/// <param name="Source">LaTeX.</param>
/// <param name="Outline">Filled path from the top left corner: SVG path data of M, L, Q, C, Z and numbers.</param>
[Kind(7)]
public sealed record FormulaBody(int X, int Y, int Width, int Height, string Source, string Outline) : MarkBody;

/// <summary>A stamp of the set in <see cref="Stamps"/>.</summary>
[Kind(8)]
public sealed record StampBody(int X, int Y, int Width, int Height, string Stamp) : MarkBody;

/// <summary>
/// A line from one mark to another, which follows them. It can be seen while both can be seen. Where it runs is computed
/// (<see cref="Shapes.ConnectorPath"/>); <paramref name="Points"/> holds the outcome, or what its author saw.
/// </summary>
/// <param name="From">Id of a mark of the same page.</param>
/// <param name="To">Id of another.</param>
/// <param name="Points">x, y of its beginning and of its end.</param>
/// <param name="Label">What stands at its middle; null for nothing.</param>
[Kind(9)]
public sealed record ConnectorBody(long From, long To, ImmutableArray<int> Points, Words? Label = null) : MarkBody;

/// <summary>When a mark counts as in a zone. The numbers are on the wire.</summary>
public enum ZoneRule
{
    /// <summary>Its middle is inside.</summary>
    Centre = 0,

    /// <summary>At least half of its area is inside.</summary>
    Half = 1,

    /// <summary>All of its area is inside.</summary>
    Whole = 2,
}

/// <summary>What a teacher expects of a zone. Like the answer key, it is never sent to a student.</summary>
/// <param name="Marks">Ids of marks that belong there.</param>
/// <param name="Answers">Words that count as right.</param>
/// <param name="Least">At least so many marks; null for any number.</param>
/// <param name="Most">At most so many marks; null for any number.</param>
public sealed record Expectation(ImmutableArray<long> Marks, ImmutableArray<string> Answers, [OrMinusOne] int? Least = null, [OrMinusOne] int? Most = null)
{
    /// <summary>Nothing is expected.</summary>
    public static readonly Expectation None = new([], []);

    /// <summary>Whether nothing is expected.</summary>
    [JsonIgnore]
    public bool IsNone => Marks.IsEmpty && Answers.IsEmpty && Least is null && Most is null;
}

/// <summary>A named region of a page. Zones may lie in one another and overlap.</summary>
/// <param name="Shape">Polygon or ellipse.</param>
/// <param name="Points">As of a <see cref="ShapeBody"/>.</param>
/// <param name="Name">What it is called; may be empty.</param>
/// <param name="Rule">What counts as in it.</param>
/// <param name="Expected">What belongs there; null for nothing, and for whoever may not know.</param>
[Kind(10)]
public sealed record ZoneBody(ShapeKind Shape, ImmutableArray<int> Points, Texts Name, ZoneRule Rule = ZoneRule.Centre, Expectation? Expected = null) : MarkBody;
