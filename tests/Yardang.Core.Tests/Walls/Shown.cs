using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Ink;
using Yardang.Core.Marks;
using Yardang.Core.Media;
using Yardang.Core.Styles;

namespace Yardang.Core.Tests.Walls;

/// <summary>Things to show beside words: one of each kind.</summary>
internal static class Shown
{
    public static readonly string Media = new('a', 64);
    public static readonly MapPicture Map = new(new string('b', 64), 1_600, 900, "The valley");
    public static readonly PictureAttachment Picture = new(Media, 800, 600, "A stone arch");
    public static readonly FormulaAttachment Formula = new(2_000, 800, "F = m g", "M0 0L100 0L100 50Z");
    public static readonly PlaceAttachment Place = new(Map, 2_500, 7_500, "The ford");

    public static readonly LinkAttachment Link = new("https://bridges.ostlebrook.example/old", "The old stone bridge", "Bridges of the Ostle Valley", new string('7', 64));

    public static readonly VoiceAttachment Voice = new(new string('c', 64), 12_400, "0359764210", "It leans on the banks");

    /// <summary>As in an answer, of which it has its words.</summary>
    public static readonly VoiceAttachment Spoken = Voice with { Words = "" };

    public static readonly FilmAttachment Film = new(new string('d', 64), new string('e', 64), 640, 480, 8_000, "The model sways and holds");

    public static readonly FileAttachment File = new(new string('f', 64), "loads.xlsx", FileFormat.Xlsx, 12_345, "", "What each bridge bears");

    public static readonly ImmutableArray<Attachment> Each = [Picture, Drawing(), Formula, Place];

    public static DrawingAttachment Drawing(int points = 3, string description = "An arch") => new(
        [new DrawnStroke([.. Enumerable.Range(0, points).Select(i => new InkPoint(i * 10 % 8_000, i * 7 % 6_000, 128, 0))], new Style(1, 60))], description);
}
