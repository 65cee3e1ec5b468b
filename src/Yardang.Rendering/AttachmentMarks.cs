using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Marks;

namespace Yardang.Rendering;

/// <summary>Something that is shown beside words, as marks that the one painter draws. All lengths are 1/100 mm.</summary>
public static class AttachmentMarks
{
    // Of the longer side of a map; as on the screen.
    private const double Pin = 0.03;
    private const int FrameWidth = 25;

    // Among the colours with which shapes are filled.
    private const int White = 10;

    // Two lines: what the page is called, and where it is.
    private const int LinkWidth = 5_000;
    private const int LinkHeight = 900;
    private const int LinkLetters = 34;
    private const int LinkSize = 300;

    // How loud it is, as bars; below them how long it is, and what is said.
    private const int VoiceHeight = 1_500;
    private const int VoiceBars = 800;
    private const int VoiceBar = 55;
    private const int VoiceSilent = 40;

    // A still, with a line below it.
    private const int StillWidth = 5_000;
    private const int Caption = 500;
    private const int PlaySide = 700;

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
        LinkAttachment l => [Named(l, x, y, width, height)],
        VoiceAttachment v => Voice(v, x, y, (double)width / LinkWidth),
        FilmAttachment f => Film(f, x, y, width, height),
        FileAttachment f => [Lines([f.Name, f.Description], x, y, width, height)],
        _ => throw new InvalidOperationException($"{attachment.GetType().Name} cannot be shown."),
    };

    private static (MarkBody, Style, Scale?) Picture(PictureAttachment p, int x, int y, int width, int height) => (new PictureBody(x, y, width, height, p.Media, p.Description), new Style(0, 0), null);

    private static (MarkBody, Style, Scale?) Stroke(DrawnStroke stroke, int x, int y, double scale)
    {
        ImmutableArray<Core.Ink.InkPoint> points = [.. stroke.Points.Select(p => p with { X = x + (int)(p.X * scale), Y = y + (int)(p.Y * scale) })];
        return (new InkBody(points), stroke.Style with { Width = Math.Max(1, (int)(stroke.Style.Width * scale)) }, null);
    }

    // A mark is scaled about its middle.
    private static (MarkBody, Style, Scale?) Formula(FormulaAttachment f, int x, int y, double scale)
    {
        var body = f.AsMark() with { X = x - (int)(f.Width * (1 - scale) / 2), Y = y - (int)(f.Height * (1 - scale) / 2) };
        var perMille = Math.Max(10, (int)(scale * 1_000));
        return (body, new Style(0, 0), new Scale(perMille, perMille));
    }

    private static (MarkBody, Style, Scale?) Named(LinkAttachment link, int x, int y, int width, int height)
    {
        string[] lines = link.Title.Length > 0 ? [link.Title, link.Host] : [link.Address];
        return Lines(lines, x, y, width, height);
    }

    private static (MarkBody, Style, Scale?) Lines(IEnumerable<string> said, int x, int y, int width, int height)
    {
        ImmutableArray<string> lines = [.. said.Where(w => w.Length > 0).Select(Short)];
        return (new TextBody(x, y, width, height, new Words(string.Join('\n', lines), "", lines, Math.Max(1, LinkSize * width / LinkWidth))), new Style(0, 0), null);
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
        for (var i = 0; i < voice.Loudness.Length; i++)
        {
            var half = (int)(scale * Math.Max(VoiceSilent, (voice.Loudness[i] - '0') * VoiceBars / 18.0));
            var (at, middle) = (x + (int)(scale * (LinkWidth * (i + 0.5) / voice.Loudness.Length)), y + (int)(scale * VoiceBars / 2));
            yield return (new InkBody([new(at, middle - half, 128, 0), new(at, middle + half, 128, 0)]), new Style(0, Math.Max(1, (int)(scale * VoiceBar))), null);
        }

        var text = Short(voice.Words.Length > 0 ? $"{Recordings.Time(voice.Duration)}  {voice.Words.ReplaceLineEndings(" ")}" : Recordings.Time(voice.Duration));
        yield return (new TextBody(x, y + (int)(scale * VoiceBars), (int)(scale * LinkWidth), (int)(scale * (VoiceHeight - VoiceBars)), new Words(text, "", [text], Math.Max(1, (int)(scale * LinkSize)))), new Style(0, 0), null);
    }

    private static string Short(string words) => words.Length <= LinkLetters ? words : $"{words[..(LinkLetters - 1)]}…";

    private static (MarkBody, Style, Scale?) Pinned(PlaceAttachment p, int x, int y, int width, int height)
    {
        var radius = (int)(Math.Max(width, height) * Pin);
        var (left, top) = (x + (int)((double)p.X * width / PlaceAttachment.End), y + (int)((double)p.Y * height / PlaceAttachment.End));
        return (new ShapeBody(ShapeKind.Ellipse, [left - radius, top - radius, left + radius, top + radius]), new Style(PinColour, Math.Max(1, radius / 2)), null);
    }

    private static (MarkBody, Style, Scale?) Sheet(int x, int y, int width, int height) =>
        (new ShapeBody(ShapeKind.Polygon, [x, y, x + width, y, x + width, y + height, x, y + height]), new Style(0, FrameWidth, White), null);
}
