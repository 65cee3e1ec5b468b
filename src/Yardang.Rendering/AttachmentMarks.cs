using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Marks;
using Yardang.Core.Styles;

namespace Yardang.Rendering;

/// <summary>Something that is shown beside words, as marks that the one painter draws. All lengths are 1/100 mm.</summary>
public static class AttachmentMarks
{
    // Of the longer side of a map; as on the screen.
    private const double Pin = 0.03;
    private const int FrameWidth = 25;

    // Among the colours with which shapes are filled.
    private const int White = 10;

    // A sign of what it is; beside it two lines: what it is called, and where or what it is.
    private const int LinkWidth = 5_000;
    private const int LinkHeight = 900;
    private const int LinkLetters = 34;
    private const int BesideLetters = 28;
    private const int SignRoom = 800;
    private const int SignLine = 45;
    private const int LinkSize = 300;
    private const int LinkPicture = 700;

    // How loud it is, as bars behind a triangle; below them how long it is, and what is said.
    private const int VoiceHeight = 1_500;
    private const int VoiceBars = 800;
    private const int VoiceBar = 55;
    private const int VoiceSilent = 40;

    // A still, with a line below it.
    private const int StillWidth = 5_000;
    private const int Caption = 500;
    private const int PlaySide = 700;

    // On a page it stands on a slip of its own.
    private const int SlipWidth = 5_300;
    private const int SlipEdge = 150;

    // "Forest red", as pins are on the screen.
    private const int PinColour = 1;

    /// <summary>How much room it takes, where there is so much: as large as can be, a formula no larger than it was written.</summary>
    public static (int Width, int Height) SizeIn(Attachment attachment, int width, int height)
    {
        var (w, h, most) = attachment switch
        {
            PictureAttachment p => (p.Width, p.Height, double.MaxValue),
            DrawingAttachment => (DrawingAttachment.Width, DrawingAttachment.Height, double.MaxValue),
            FormulaAttachment f => (f.Width, f.Height, 1),
            PlaceAttachment p => (p.Map.Width, p.Map.Height, double.MaxValue),
            LinkAttachment => (LinkWidth, LinkHeight, 1),
            VoiceAttachment => (LinkWidth, VoiceHeight, 1),
            FilmAttachment { Still.Length: > 0 } f => (StillWidth, Still(f) + Caption, 1),
            FileAttachment or FilmAttachment => (LinkWidth, LinkHeight, 1),
            _ => throw new InvalidOperationException($"{attachment.GetType().Name} cannot be shown."),
        };
        var scale = Math.Min(most, Math.Min((double)width / w, (double)height / h));
        return (Math.Max(1, (int)(w * scale)), Math.Max(1, (int)(h * scale)));
    }

    /// <summary>The marks, back to front.</summary>
    public static IEnumerable<(MarkBody Body, Style Style, Scale? Scale)> Of(Attachment attachment, int x, int y, int width, int height) => attachment switch
    {
        PictureAttachment p => [Picture(p, x, y, width, height)],
        DrawingAttachment d => [Sheet(x, y, width, height), .. d.Strokes.Select(s => Stroke(s, x, y, (double)width / DrawingAttachment.Width))],
        FormulaAttachment f => [Formula(f, x, y, (double)width / f.Width)],
        PlaceAttachment p => [Picture(p.Map.AsPicture(), x, y, width, height), Pinned(p, x, y, width, height)],
        LinkAttachment { Picture.Length: > 0 } l => [Picture(new(l.Picture, 1, 1, ""), x, y, PictureSide(width), PictureSide(width)), Named(l, x, y, width, height)],
        LinkAttachment l => [.. Elsewhere(x, y, (double)width / LinkWidth), Named(l, x, y, width, height)],
        VoiceAttachment v => Voice(v, x, y, (double)width / LinkWidth),
        FilmAttachment f => Film(f, x, y, width, height),
        FileAttachment f => [Leaf(x, y, (double)width / LinkWidth), Beside([f.Name, f.Description], x, y, width, height)],
        _ => throw new InvalidOperationException($"{attachment.GetType().Name} cannot be shown."),
    };

    /// <summary>The marks of what stands on a page, back to front; the browser draws the same (<c>kinds/shown.ts</c>).</summary>
    public static IEnumerable<(MarkBody Body, Style Style, Scale? Scale)> OnPage(Attachment attachment, int x, int y, int width, int height)
    {
        var edge = Math.Min((int)((long)SlipEdge * width / SlipWidth), (Math.Min(width, height) - 1) / 2);
        return [Sheet(x, y, width, height), .. Of(attachment, x + edge, y + edge, width - (2 * edge), height - (2 * edge))];
    }

    private static (MarkBody, Style, Scale?) Picture(PictureAttachment p, int x, int y, int width, int height) => (new PictureBody(x, y, width, height, p.Media, p.Description), new Style(0, 0), null);

    private static (MarkBody, Style, Scale?) Stroke(DrawnStroke stroke, int x, int y, double scale)
    {
        ImmutableArray<Core.Ink.InkPoint> points = [.. stroke.Points.Select(p => p with { X = x + (int)(p.X * scale), Y = y + (int)(p.Y * scale) })];
        return (new InkBody(points), stroke.Style with { Width = Math.Max(1, (int)(stroke.Style.Width * scale)) }, null);
    }

    // A mark is scaled about its middle.
    private static (MarkBody, Style, Scale?) Formula(FormulaAttachment f, int x, int y, double scale)
    {
        var body = new FormulaBody(x - (int)(f.Width * (1 - scale) / 2), y - (int)(f.Height * (1 - scale) / 2), f.Width, f.Height, f.Source, f.Outline);
        var perMille = Math.Max(10, (int)(scale * 1_000));
        return (body, new Style(0, 0), new Scale(perMille, perMille));
    }

    private static (MarkBody, Style, Scale?) Named(LinkAttachment link, int x, int y, int width, int height)
    {
        string[] lines = link.Title.Length > 0 ? [link.Title, link.Host] : [link.Address];
        return Beside(lines, x, y, width, height);
    }

    private static (MarkBody, Style, Scale?) Beside(IEnumerable<string> said, int x, int y, int width, int height)
    {
        var room = (int)((long)SignRoom * width / LinkWidth);
        return Lines(said, x + room, y, Math.Max(1, width - room), height, BesideLetters, LinkSize * width / LinkWidth);
    }

    // In place of the sign.
    private static int PictureSide(int width) => Math.Max(1, (int)((long)LinkPicture * width / LinkWidth));

    // An arrow that leads away.
    private static IEnumerable<(MarkBody, Style, Scale?)> Elsewhere(int x, int y, double scale) =>
        [Line([150, 650, 600, 200], x, y, scale), Line([280, 200, 600, 200], x, y, scale), Line([600, 200, 600, 520], x, y, scale)];

    // A sheet with a corner turned down.
    private static (MarkBody, Style, Scale?) Leaf(int x, int y, double scale) =>
        (new ShapeBody(ShapeKind.Polygon, At([150, 100, 450, 100, 600, 250, 600, 750, 150, 750], x, y, scale)), Thin(scale, White), null);

    private static (MarkBody, Style, Scale?) Play(int x, int y, double scale) =>
        (new ShapeBody(ShapeKind.Polygon, At([180, 100, 640, 400, 180, 700], x, y, scale)), Thin(scale, White), null);

    private static (MarkBody, Style, Scale?) Line(ReadOnlySpan<int> points, int x, int y, double scale) => (new ShapeBody(ShapeKind.Line, At(points, x, y, scale)), Thin(scale, 0), null);

    private static Style Thin(double scale, int fill) => new(0, Math.Max(1, (int)(scale * SignLine)), fill);

    private static ImmutableArray<int> At(ReadOnlySpan<int> points, int x, int y, double scale)
    {
        var at = ImmutableArray.CreateBuilder<int>(points.Length);
        for (var i = 0; i < points.Length; i++) at.Add((i % 2 == 0 ? x : y) + (int)(scale * points[i]));
        return at.MoveToImmutable();
    }

    private static (MarkBody, Style, Scale?) Lines(IEnumerable<string> said, int x, int y, int width, int height, int letters = LinkLetters, int? size = null)
    {
        ImmutableArray<string> lines = [.. said.Where(w => w.Length > 0).Select(w => Short(w, letters))];
        return (new TextBody(x, y, width, height, new Words(string.Join('\n', lines), "", lines, Math.Max(1, size ?? (LinkSize * width / LinkWidth)))), new Style(0, 0), null);
    }

    // A frame with a triangle in it, which says that it moves; below it how long, and what is said.
    private static IEnumerable<(MarkBody, Style, Scale?)> Film(FilmAttachment film, int x, int y, int width, int height)
    {
        string[] said = [film.Words.Length > 0 ? $"{Recordings.Time(film.Duration)}  {film.Words.ReplaceLineEndings(" ")}" : Recordings.Time(film.Duration)];
        if (film.Still.Length == 0)
        {
            yield return Lines(said, x, y, width, height);
            yield break;
        }

        var scale = (double)width / StillWidth;
        var still = (int)(scale * Still(film));
        yield return (new PictureBody(x, y, width, still, film.Still, film.Words), new Style(0, 0), null);
        var (middleX, middleY, side) = (x + (width / 2), y + (still / 2), (int)(scale * PlaySide));
        yield return (new ShapeBody(ShapeKind.Polygon, [middleX - (side / 2), middleY - (side / 2), middleX + (side / 2), middleY, middleX - (side / 2), middleY + (side / 2)]), new Style(0, FrameWidth, White), null);
        yield return Lines(said, x, y + still, width, Math.Max(1, height - still));
    }

    private static int Still(FilmAttachment film) => Math.Max(1, (int)((long)StillWidth * film.Height / film.Width));

    private static IEnumerable<(MarkBody, Style, Scale?)> Voice(VoiceAttachment voice, int x, int y, double scale)
    {
        yield return Play(x, y, scale);
        for (var i = 0; i < voice.Loudness.Length; i++)
        {
            var half = (int)(scale * Math.Max(VoiceSilent, (voice.Loudness[i] - '0') * VoiceBars / 18.0));
            var (at, middle) = (x + (int)(scale * (SignRoom + ((LinkWidth - SignRoom) * (i + 0.5) / voice.Loudness.Length))), y + (int)(scale * VoiceBars / 2));
            yield return (new InkBody([new(at, middle - half, 128, 0), new(at, middle + half, 128, 0)]), new Style(0, Math.Max(1, (int)(scale * VoiceBar))), null);
        }

        var text = Short(voice.Words.Length > 0 ? $"{Recordings.Time(voice.Duration)}  {voice.Words.ReplaceLineEndings(" ")}" : Recordings.Time(voice.Duration));
        yield return (new TextBody(x, y + (int)(scale * VoiceBars), (int)(scale * LinkWidth), (int)(scale * (VoiceHeight - VoiceBars)), new Words(text, "", [text], Math.Max(1, (int)(scale * LinkSize)))), new Style(0, 0), null);
    }

    private static string Short(string words, int letters = LinkLetters) => words.Length <= letters ? words : $"{words[..(letters - 1)]}…";

    private static (MarkBody, Style, Scale?) Pinned(PlaceAttachment p, int x, int y, int width, int height)
    {
        var radius = (int)(Math.Max(width, height) * Pin);
        var (left, top) = (x + (int)((double)p.X * width / PlaceAttachment.End), y + (int)((double)p.Y * height / PlaceAttachment.End));
        return (new ShapeBody(ShapeKind.Ellipse, [left - radius, top - radius, left + radius, top + radius]), new Style(PinColour, Math.Max(1, radius / 2)), null);
    }

    private static (MarkBody, Style, Scale?) Sheet(int x, int y, int width, int height) =>
        (new ShapeBody(ShapeKind.Polygon, [x, y, x + width, y, x + width, y + height, x, y + height]), new Style(0, FrameWidth, White), null);
}
