using System.Diagnostics;
using System.Globalization;
using SkiaSharp;
using Yardang.Core.Ink;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Styles;
using Yardang.Rendering;

namespace Yardang.Bench;

/// <summary>The boards of a class as one PDF: 35 boards of 5 pages, each with 60 strokes, 8 notes and texts, 3 measured shapes and a picture.</summary>
public static class PrintLoad
{
    private const int Boards = 35;
    private const int Pages = 5;
    private const int Rounds = 5;
    private const int LimitSeconds = 6;

    public static void Run()
    {
        var strokes = Enumerable.Range(0, 500).Select(seed => Handwriting(new Random(seed))).ToArray();
        var photo = Photo();
        var pages = (from board in Enumerable.Range(0, Boards) from page in Enumerable.Range(0, Pages) select PageOf(board, page, strokes, photo)).ToList();
        var seconds = new List<double>();
        var bytes = 0;
        for (var round = 0; round < Rounds; round++)
        {
            var start = Stopwatch.GetTimestamp();
            bytes = PageExport.Pdf(pages, "Triangles in trusses").Length;
            seconds.Add(Stopwatch.GetElapsedTime(start).TotalSeconds);
        }

        seconds.Sort();
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture,
            $"{Boards} boards of {Pages} pages as one PDF: median {seconds[Rounds / 2]:0.00} s, longest {seconds[^1]:0.00} s of {Rounds} (limit {LimitSeconds} s), {bytes / 1_048_576.0:0.0} MB"));
        Verdict.Say("boards of a class as one PDF, median", seconds[Rounds / 2], LimitSeconds, "s");
        Hostile();
    }

    // What somebody could draw to keep the server busy: 24 kB of polygons that go far, in the finest dashes.
    private static void Hostile()
    {
        var random = new Random(1);
        var marks = Enumerable.Range(1, 40).Select(n => new Mark(
            n, 1, 2, ByStaff: false, Grip.Own, n, new ShapeBody(ShapeKind.Polygon, [.. Enumerable.Range(0, 200).Select(_ => random.Next(-200_000, 200_000))]), new Style(0, 1, 0, Looks.Dashed), Place.AsDrawn, [], Erased: false)).ToList();
        var page = new ExportPage(new Page(1, Texts.None, PageSize.A4, Paper.Plain), marks, LengthUnit.Centimetre, _ => null, "");
        foreach (var (name, make) in new (string, Func<byte[]>)[] { ("PDF", () => PageExport.Pdf([page], "x")), ("PNG", () => PageExport.Png(page)), ("SVG", () => PageExport.Svg(page)) })
        {
            make();
            var before = Environment.WorkingSet;
            var start = Stopwatch.GetTimestamp();
            var size = make().Length;
            Verdict.Say($"40 dashed polygons of 100 corners as {name}, time", Stopwatch.GetElapsedTime(start).TotalSeconds, 1, "s");
            Verdict.Say($"40 dashed polygons of 100 corners as {name}, memory", Math.Max(size, Environment.WorkingSet - before) / 1_048_576.0, 100, "MB");
        }
    }

    private static ExportPage PageOf(int board, int page, System.Collections.Immutable.ImmutableArray<InkPoint>[] strokes, byte[] photo)
    {
        var random = new Random((board * Pages) + page);
        var marks = new List<Mark>();
        void Add(MarkBody body, Style style) => marks.Add(new(marks.Count + 1, 1, 2, ByStaff: false, Grip.Own, marks.Count, body, style, Place.AsDrawn, [], Erased: false));
        Words Say(int size) => new("The arch pushes outwards, the piers push back.", "en", ["The arch pushes", "outwards, the piers", "push back."], size);
        Add(new PictureBody(18_000, 12_000, 9_000, 6_000, "photo", "The old bridge"), default);
        for (var i = 0; i < 60; i++) Add(new InkBody(strokes[random.Next(strokes.Length)]), new Style(random.Next(6), 60));
        for (var i = 0; i < 4; i++) Add(new NoteBody(random.Next(24_000), random.Next(16_000), 5_200, 5_200, Say(600)), new Style(i, 0));
        for (var i = 0; i < 4; i++) Add(new TextBody(random.Next(22_000), random.Next(18_000), 7_000, 2_000, Say(500)), default);
        for (var i = 0; i < 3; i++)
        {
            var (x, y) = (random.Next(22_000), random.Next(15_000));
            Add(new ShapeBody(ShapeKind.Polygon, [x, y, x + 6_000, y, x + 3_000, y + 4_000]), new Style(0, 60, 1 + i, Looks.ShowsSides | Looks.ShowsAngles));
        }

        return new ExportPage(new Page(1, Texts.In("en", "Measure"), PageSize.A4Wide, new Paper(PaperKind.Squared)), marks, LengthUnit.Centimetre, _ => photo, $"Student {board} · 23.11.2026 · {page + 1} / {Pages}");
    }

    // Loops of a few millimetres, as a word written by hand has them, with a corner now and then.
    private static System.Collections.Immutable.ImmutableArray<InkPoint> Handwriting(Random random)
    {
        double x = random.Next(27_000), y = random.Next(20_000), phase = random.NextDouble() * 6;
        return [.. Enumerable.Range(0, 40).Select(i => new InkPoint(
            (int)(x + (i * 28) + (90 * Math.Cos(phase + (i * 0.7)))), (int)(y + (160 * Math.Sin(phase + (i * 0.7)))), (byte)(128 + (40 * Math.Sin(i * 0.3))), i * 12))];
    }

    private static byte[] Photo()
    {
        using var bitmap = new SKBitmap(1_600, 1_000);
        var random = new Random(1);
        for (var y = 0; y < bitmap.Height; y += 4)
        {
            for (var x = 0; x < bitmap.Width; x += 4) bitmap.Erase(new SKColor((byte)random.Next(256), (byte)random.Next(256), 90), new SKRectI(x, y, x + 4, y + 4));
        }

        using var image = SKImage.FromBitmap(bitmap);
        return image.Encode(SKEncodedImageFormat.Jpeg, 85).ToArray();
    }
}
