using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Ink;

namespace Yardang.Core.Marks;

/// <summary>Who may grip a mark.</summary>
public enum Grip
{
    /// <summary>Only its author, and teachers.</summary>
    Own = 0,

    /// <summary>Anyone may move and turn it; teachers may do everything.</summary>
    Loose = 1,

    /// <summary>Only teachers.</summary>
    Printed = 2,
}

/// <summary>Where a mark stands: how far it was moved from where its body says, and turned about its middle.</summary>
/// <param name="X">1/100 mm to the right.</param>
/// <param name="Y">1/100 mm down.</param>
/// <param name="Turn">1/100 degree clockwise, 0 to 35,999.</param>
public readonly record struct Place(int X, int Y, int Turn)
{
    /// <summary>Not moved and not turned.</summary>
    public static readonly Place AsDrawn = new(0, 0, 0);
}

/// <summary>Written words, with the line breaks and size that the author's screen gave them, so that every screen and print agrees.</summary>
/// <param name="Text">What was typed, with its own line feeds.</param>
/// <param name="Language">BCP 47 tag.</param>
/// <param name="Lines">The text as broken into lines.</param>
/// <param name="Size">Height of the type (em), 1/100 mm.</param>
public sealed record Words(string Text, string Language, ImmutableArray<string> Lines, int Size);

/// <summary>How a mark looks. What the numbers mean is in <c>Palette</c>.</summary>
/// <param name="Colour">Index into the palette of the mark's kind.</param>
/// <param name="Width">Line width of ink, 1/100 mm; 0 where it has none.</param>
public readonly record struct Style(int Colour, int Width);

/// <summary>What a mark is made of. A closed set: <see cref="InkBody"/>, <see cref="TextBody"/>, <see cref="NoteBody"/>.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(InkBody), "ink")]
[JsonDerivedType(typeof(TextBody), "text")]
[JsonDerivedType(typeof(NoteBody), "note")]
public abstract record MarkBody;

/// <summary>A stroke of ink, in page coordinates.</summary>
public sealed record InkBody(ImmutableArray<InkPoint> Points) : MarkBody;

/// <summary>Text straight on the page. X, Y is its top left corner; sizes in 1/100 mm.</summary>
public sealed record TextBody(int X, int Y, int Width, int Height, Words Words) : MarkBody;

/// <summary>Words on a coloured slip. X, Y is its top left corner; sizes in 1/100 mm.</summary>
public sealed record NoteBody(int X, int Y, int Width, int Height, Words Words) : MarkBody;

/// <summary>Anything on a page, as it stands now.</summary>
/// <param name="Id">See <see cref="Rooms.Ids"/>.</param>
/// <param name="Page">Id of its page.</param>
/// <param name="Author">Number of the actor who made it.</param>
/// <param name="ByStaff">Whether a teacher made it.</param>
/// <param name="Grip">Who may grip it.</param>
/// <param name="Order">Larger lies in front. Set by the server; exact as a double, so that one can be put between two.</param>
/// <param name="Body">What it is made of.</param>
/// <param name="Style">How it looks.</param>
/// <param name="Place">Where it was moved to.</param>
/// <param name="Cuts">Ink only: the lengths rubbed out, see <see cref="CutIntervals"/>.</param>
/// <param name="Erased">Whether it is gone from the page. It stays in the room, so that it can come back.</param>
public sealed record Mark(
    long Id, int Page, int Author, bool ByStaff, Grip Grip, double Order, MarkBody Body, Style Style,
    Place Place, ImmutableArray<int> Cuts, bool Erased)
{
    /// <summary>The words of a text or note; null for ink.</summary>
    [JsonIgnore]
    public Words? Words => Body switch { TextBody t => t.Words, NoteBody n => n.Words, _ => null };
}
