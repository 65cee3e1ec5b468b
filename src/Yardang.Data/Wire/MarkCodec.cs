using System.Collections.Immutable;
using MessagePack;
using Yardang.Core.Activities;
using Yardang.Core.Ink;
using Yardang.Core.Marks;

namespace Yardang.Data.Wire;

/// <summary>
/// Marks as MessagePack arrays. Additive only: a reader takes the fields it knows and skips what follows.
/// The layouts are in docs/protocol.md and fixed by golden files.
/// </summary>
internal static class MarkCodec
{
    private enum BodyKind
    {
        Ink = 1,
        Text = 2,
        Note = 3,
        Shape = 4,
        Picture = 5,
    }

    public static void Write(ref MessagePackWriter w, Mark mark)
    {
        var plain = mark is { Scale: null, Pinned: false, Tie: 0 };
        w.WriteArrayHeader(plain ? 11 : 14);
        w.Write(mark.Id);
        w.Write(mark.Page);
        w.Write(mark.Author);
        w.Write(mark.ByStaff);
        w.Write((int)mark.Grip);
        WriteNumber(ref w, mark.Order);
        Write(ref w, mark.Body);
        Write(ref w, mark.Style);
        Write(ref w, mark.Place);
        Write(ref w, mark.Cuts);
        w.Write(mark.Erased);
        if (plain) return;
        Write(ref w, mark.Scale);
        w.Write(mark.Pinned);
        w.Write(mark.Tie);
    }

    public static Mark ReadMark(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 11);
        var mark = new Mark(
            r.ReadInt64(), r.ReadInt64(), r.ReadInt32(), r.ReadBoolean(), (Grip)r.ReadInt32(), r.ReadDouble(),
            ReadBody(ref r), ReadStyle(ref r), ReadPlace(ref r), ReadInts(ref r), r.ReadBoolean());
        if (fields.Has(14)) mark = mark with { Scale = ReadScale(ref r), Pinned = r.ReadBoolean(), Tie = r.ReadInt64() };
        fields.End(ref r);
        return mark;
    }

    public static void Write(ref MessagePackWriter w, MarkBody body)
    {
        switch (body)
        {
            case InkBody ink:
                w.WriteArrayHeader(2);
                w.Write((int)BodyKind.Ink);
                Write(ref w, ink.Points);
                break;
            case TextBody t:
                WriteBox(ref w, BodyKind.Text, t.X, t.Y, t.Width, t.Height, t.Words);
                break;
            case NoteBody n:
                WriteBox(ref w, BodyKind.Note, n.X, n.Y, n.Width, n.Height, n.Words);
                break;
            case PictureBody p:
                w.WriteArrayHeader(7);
                w.Write((int)BodyKind.Picture);
                w.Write(p.X);
                w.Write(p.Y);
                w.Write(p.Width);
                w.Write(p.Height);
                w.Write(p.Media);
                w.Write(p.Description);
                break;
            case ShapeBody s:
                w.WriteArrayHeader(3);
                w.Write((int)BodyKind.Shape);
                w.Write((int)s.Shape);
                Write(ref w, s.Points);
                break;
        }
    }

    public static MarkBody ReadBody(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 2);
        var kind = (BodyKind)r.ReadInt32();
        MarkBody body;
        switch (kind)
        {
            case BodyKind.Ink:
                body = new InkBody(ReadPoints(ref r));
                break;
            case BodyKind.Text:
                fields.Need(6);
                body = new TextBody(r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), ReadWords(ref r));
                break;
            case BodyKind.Note:
                fields.Need(6);
                body = new NoteBody(r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), ReadWords(ref r));
                break;
            case BodyKind.Shape:
                fields.Need(3);
                body = new ShapeBody((ShapeKind)r.ReadInt32(), ReadInts(ref r));
                break;
            case BodyKind.Picture:
                fields.Need(7);
                body = new PictureBody(r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), ReadText(ref r), ReadText(ref r));
                break;
            default:
                throw new MessagePackSerializationException("Unknown kind of mark.");
        }

        fields.End(ref r);
        return body;
    }

    public static void Write(ref MessagePackWriter w, Style style)
    {
        var plain = style is { Fill: 0, Looks: Looks.None };
        w.WriteArrayHeader(plain ? 2 : 4);
        w.Write(style.Colour);
        w.Write(style.Width);
        if (plain) return;
        w.Write(style.Fill);
        w.Write((int)style.Looks);
    }

    public static Style ReadStyle(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 2);
        var style = new Style(r.ReadInt32(), r.ReadInt32());
        if (fields.Has(4)) style = style with { Fill = r.ReadInt32(), Looks = (Looks)r.ReadInt32() };
        fields.End(ref r);
        return style;
    }

    // Ink is the bulk of the traffic: differences to the point before, flat, so that most numbers take one byte.
    private static void Write(ref MessagePackWriter w, ImmutableArray<InkPoint> points)
    {
        w.WriteArrayHeader(points.Length * 4);
        var before = default(InkPoint);
        foreach (var p in points)
        {
            w.Write(p.X - before.X);
            w.Write(p.Y - before.Y);
            w.Write((int)p.Pressure);
            w.Write(p.Ms - before.Ms);
            before = p;
        }
    }

    private static ImmutableArray<InkPoint> ReadPoints(ref MessagePackReader r)
    {
        var count = r.ReadArrayHeader();
        if (count % 4 != 0 || count > 4 * Core.Rooms.Limits.InkPoints) throw new MessagePackSerializationException("Points come in fours, and not too many.");
        var points = ImmutableArray.CreateBuilder<InkPoint>(count / 4);
        int x = 0, y = 0, ms = 0;
        for (var i = 0; i < count; i += 4)
        {
            x += r.ReadInt32();
            y += r.ReadInt32();
            var pressure = r.ReadByte();
            ms += r.ReadInt32();
            points.Add(new(x, y, pressure, ms));
        }

        return points.MoveToImmutable();
    }

    private static void WriteBox(ref MessagePackWriter w, BodyKind kind, int x, int y, int width, int height, Words words)
    {
        w.WriteArrayHeader(6);
        w.Write((int)kind);
        w.Write(x);
        w.Write(y);
        w.Write(width);
        w.Write(height);
        Write(ref w, words);
    }

    public static void Write(ref MessagePackWriter w, Words words)
    {
        w.WriteArrayHeader(4);
        w.Write(words.Text);
        w.Write(words.Language);
        w.WriteArrayHeader(words.Lines.Length);
        foreach (var line in words.Lines) w.Write(line);
        w.Write(words.Size);
    }

    public static Words ReadWords(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 4);
        var text = ReadText(ref r);
        var language = ReadText(ref r);
        var lines = ImmutableArray.CreateBuilder<string>();
        for (var left = r.ReadArrayHeader(); left > 0; left--) lines.Add(ReadText(ref r));
        var words = new Words(text, language, lines.ToImmutable(), r.ReadInt32());
        fields.End(ref r);
        return words;
    }

    public static void Write(ref MessagePackWriter w, Scale? scale)
    {
        if (scale is not { } s)
        {
            w.WriteNil();
            return;
        }

        w.WriteArrayHeader(2);
        w.Write(s.X);
        w.Write(s.Y);
    }

    public static Scale? ReadScale(ref MessagePackReader r)
    {
        if (r.TryReadNil()) return null;
        var fields = new Fields(ref r, 2);
        var scale = new Scale(r.ReadInt32(), r.ReadInt32());
        fields.End(ref r);
        return scale;
    }

    public static void Write(ref MessagePackWriter w, Place place)
    {
        w.WriteArrayHeader(3);
        w.Write(place.X);
        w.Write(place.Y);
        w.Write(place.Turn);
    }

    public static Place ReadPlace(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 3);
        var place = new Place(r.ReadInt32(), r.ReadInt32(), r.ReadInt32());
        fields.End(ref r);
        return place;
    }

    public static void Write(ref MessagePackWriter w, ImmutableArray<int> numbers)
    {
        w.WriteArrayHeader(numbers.Length);
        foreach (var n in numbers) w.Write(n);
    }

    public static ImmutableArray<int> ReadInts(ref MessagePackReader r)
    {
        var numbers = ImmutableArray.CreateBuilder<int>();
        for (var left = r.ReadArrayHeader(); left > 0; left--) numbers.Add(r.ReadInt32());
        return numbers.ToImmutable();
    }

    public static void Write(ref MessagePackWriter w, Texts texts)
    {
        w.WriteMapHeader(texts.ByLanguage.Count);
        foreach (var (language, text) in texts.ByLanguage)
        {
            w.Write(language);
            w.Write(text);
        }
    }

    public static Texts ReadTexts(ref MessagePackReader r)
    {
        var texts = Texts.None;
        for (var left = r.ReadMapHeader(); left > 0; left--) texts = texts.With(ReadText(ref r), ReadText(ref r));
        return texts;
    }

    public static string ReadText(ref MessagePackReader r) => r.ReadString() ?? throw new MessagePackSerializationException("A text is missing.");

    // Whole numbers take one to five bytes, others nine.
    public static void WriteNumber(ref MessagePackWriter w, double number)
    {
        if (Math.Floor(number) == number && Math.Abs(number) < 1e15) w.Write((long)number);
        else w.Write(number);
    }
}
