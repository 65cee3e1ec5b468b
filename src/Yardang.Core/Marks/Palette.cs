using System.Collections.Immutable;

namespace Yardang.Core.Marks;

/// <summary>What the colour numbers of <see cref="Style"/> mean: 0xRRGGBB. The browser has the same lists.</summary>
public static class Palette
{
    /// <summary>Students' ink and text.</summary>
    public static readonly ImmutableArray<int> Ink = [0x1d2b33, 0xb93f2b, 0x2c7a50, 0x7b3f8c, 0x9a6400, 0x00708f];

    /// <summary>Notes.</summary>
    public static readonly ImmutableArray<int> Note = [0xf6e7a8, 0xd3e6c4, 0xcfe3f2, 0xf3d2c4];

    /// <summary>The teacher's own ink, whatever the number.</summary>
    public const int TeacherInk = 0x345e9e;

    /// <summary>Words on notes, and printed words.</summary>
    public const int Print = 0x1d2b33;

    /// <summary>The ruling of paper.</summary>
    public const int PaperLine = 0xcddcdf;

    /// <summary>The colour of ink or text.</summary>
    public static int InkOf(Mark mark) =>
        mark.Grip == Grip.Printed ? Print
        : mark.ByStaff ? TeacherInk
        : mark.Style.Colour < Ink.Length ? Ink[mark.Style.Colour] : Ink[0];

    /// <summary>The colour of a note.</summary>
    public static int NoteOf(Mark mark) => mark.Style.Colour < Note.Length ? Note[mark.Style.Colour] : Note[0];
}
