using System.Collections.Immutable;
using Yardang.Core.Styles;

namespace Yardang.Core.Marks;

/// <summary>What the colour numbers of <see cref="Style"/> mean: 0xRRGGBB. The browser has the same lists.</summary>
public static class Palette
{
    /// <summary>Students' ink and text.</summary>
    public static readonly ImmutableArray<int> Ink = [0x1d2b33, 0xb93f2b, 0x2c7a50, 0x7b3f8c, 0x9a6400, 0x00708f];

    /// <summary>Notes.</summary>
    public static readonly ImmutableArray<int> Note =
        [0xf6e7a8, 0xd3e6c4, 0xcfe3f2, 0xf3d2c4, 0xe3d7ef, 0xc9e8e2, 0xf3cfe0, 0xe7e2d3, 0xdde6a5, 0xffffff, 0xd5dadd, 0xf7d9a3];

    /// <summary>The highlighter, one for each ink: light enough that what is under it can be read.</summary>
    public static readonly ImmutableArray<int> Highlighter = [0xf7e463, 0xffb3a6, 0xa9e5bd, 0xdfbdf0, 0xffd08a, 0xa0e1f2];

    /// <summary>The teacher's own ink, whatever the number.</summary>
    public const int TeacherInk = 0x345e9e;

    /// <summary>Words on notes, and printed words.</summary>
    public const int Print = 0x1d2b33;

    /// <summary>The ruling of paper.</summary>
    public const int PaperLine = 0xcddcdf;

    /// <summary>Axes, baselines, tables and dots of paper.</summary>
    public const int PaperStrong = 0x8fa3a9;

    /// <summary>Numbers on paper.</summary>
    public const int PaperWords = 0x56676e;

    /// <summary>The colour of ink or text.</summary>
    public static int InkOf(Mark mark) =>
        mark.Grip is Grip.Printed or Grip.Loose ? Print
        : mark.ByStaff ? TeacherInk
        : mark.Style.Colour < Ink.Length ? Ink[mark.Style.Colour] : Ink[0];

    /// <summary>The colour of a highlighter.</summary>
    public static int HighlighterOf(Mark mark) => mark.Style.Colour < Highlighter.Length ? Highlighter[mark.Style.Colour] : Highlighter[0];

    /// <summary>The filling of a shape that has one.</summary>
    public static int FillOf(Mark mark) => mark.Style.Fill > 0 && mark.Style.Fill <= Note.Length ? Note[mark.Style.Fill - 1] : Note[0];

    /// <summary>The colour of a note.</summary>
    public static int NoteOf(Mark mark) => mark.Style.Colour < Note.Length ? Note[mark.Style.Colour] : Note[0];
}
