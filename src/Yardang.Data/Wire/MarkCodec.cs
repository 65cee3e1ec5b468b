using System.Collections.Immutable;
using MessagePack;
using Yardang.Core.Activities;
using Yardang.Core.Ink;
using Yardang.Core.Marks;

namespace Yardang.Data.Wire;

/// <summary>
/// Marks and changes as MessagePack arrays. Additive only: a reader takes the fields it knows and skips what follows.
/// The layouts are in docs/protocol.md and fixed by golden files.
/// </summary>
internal static class MarkCodec
{
    private enum BodyKind
    {
        Ink = 1,
        Text = 2,
        Note = 3,
    }

    public static void Write(ref MessagePackWriter w, Mark mark)
    {
        w.WriteArrayHeader(11);
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
    }

    public static Mark ReadMark(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 11);
        var mark = new Mark(
            r.ReadInt64(), r.ReadInt32(), r.ReadInt32(), r.ReadBoolean(), (Grip)r.ReadInt32(), r.ReadDouble(),
            ReadBody(ref r), ReadStyle(ref r), ReadPlace(ref r), ReadInts(ref r), r.ReadBoolean());
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
        }
    }

    public static MarkBody ReadBody(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 2);
        var kind = (BodyKind)r.ReadInt32();
        if (kind == BodyKind.Ink)
        {
            var ink = new InkBody(ReadPoints(ref r));
            fields.End(ref r);
            return ink;
        }

        if (kind is not (BodyKind.Text or BodyKind.Note)) throw new MessagePackSerializationException("Unknown kind of mark.");
        fields.Need(6);
        int x = r.ReadInt32(), y = r.ReadInt32(), width = r.ReadInt32(), height = r.ReadInt32();
        var words = ReadWords(ref r);
        fields.End(ref r);
        return kind == BodyKind.Text ? new TextBody(x, y, width, height, words) : new NoteBody(x, y, width, height, words);
    }

    public static void Write(ref MessagePackWriter w, Style style)
    {
        w.WriteArrayHeader(2);
        w.Write(style.Colour);
        w.Write(style.Width);
    }

    public static Style ReadStyle(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 2);
        var style = new Style(r.ReadInt32(), r.ReadInt32());
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

    private static void Write(ref MessagePackWriter w, Words words)
    {
        w.WriteArrayHeader(4);
        w.Write(words.Text);
        w.Write(words.Language);
        w.WriteArrayHeader(words.Lines.Length);
        foreach (var line in words.Lines) w.Write(line);
        w.Write(words.Size);
    }

    private static Words ReadWords(ref MessagePackReader r)
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

    private static void Write(ref MessagePackWriter w, Place place)
    {
        w.WriteArrayHeader(3);
        w.Write(place.X);
        w.Write(place.Y);
        w.Write(place.Turn);
    }

    private static Place ReadPlace(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 3);
        var place = new Place(r.ReadInt32(), r.ReadInt32(), r.ReadInt32());
        fields.End(ref r);
        return place;
    }

    private static void Write(ref MessagePackWriter w, ImmutableArray<int> numbers)
    {
        w.WriteArrayHeader(numbers.Length);
        foreach (var n in numbers) w.Write(n);
    }

    private static ImmutableArray<int> ReadInts(ref MessagePackReader r)
    {
        var numbers = ImmutableArray.CreateBuilder<int>();
        for (var left = r.ReadArrayHeader(); left > 0; left--) numbers.Add(r.ReadInt32());
        return numbers.ToImmutable();
    }

    public static void Write(ref MessagePackWriter w, ImmutableArray<Change> changes)
    {
        w.WriteArrayHeader(changes.Length);
        foreach (var change in changes) Write(ref w, change);
    }

    public static ImmutableArray<Change> ReadChanges(ref MessagePackReader r)
    {
        var count = r.ReadArrayHeader();
        if (count > Core.Rooms.Limits.Changes) throw new MessagePackSerializationException("Too many changes.");
        var changes = ImmutableArray.CreateBuilder<Change>(count);
        for (; count > 0; count--) changes.Add(ReadChange(ref r));
        return changes.MoveToImmutable();
    }

    public static void Write(ref MessagePackWriter w, Change change)
    {
        w.WriteArrayHeader(change is Wording ? 5 : 3);
        w.Write((int)change.Property);
        w.Write(change.Target);
        switch (change)
        {
            case Placed(_, var place): Write(ref w, place); break;
            case Erasing(_, var erased): w.Write(erased); break;
            case Cutting(_, var cuts): Write(ref w, cuts); break;
            case Styling(_, var style): Write(ref w, style); break;
            case Naming(var name): Write(ref w, name); break;
            case Directing(var directions): Write(ref w, directions); break;
            case PageNaming(_, var name): Write(ref w, name); break;
            case Papering(_, var paper): w.Write((int)paper); break;
            case Sizing(_, var size):
                w.WriteArrayHeader(2);
                w.Write(size.Width);
                w.Write(size.Height);
                break;
            case Wording(_, var words, var width, var height):
                Write(ref w, words);
                w.Write(width);
                w.Write(height);
                break;
        }
    }

    public static Change ReadChange(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 3);
        var property = (Property)r.ReadInt32();
        var target = r.ReadInt64();
        Change change = property switch
        {
            Property.Place => new Placed(target, ReadPlace(ref r)),
            Property.Erased => new Erasing(target, r.ReadBoolean()),
            Property.Cuts => new Cutting(target, ReadInts(ref r)),
            Property.Style => new Styling(target, ReadStyle(ref r)),
            Property.Words => new Wording(target, ReadWords(ref r), r.ReadInt32(), r.ReadInt32()),
            Property.Name => new Naming(ReadTexts(ref r)),
            Property.Directions => new Directing(ReadTexts(ref r)),
            Property.PageName => new PageNaming(target, ReadTexts(ref r)),
            Property.Paper => new Papering(target, (Paper)r.ReadInt32()),
            Property.Size => new Sizing(target, ReadSize(ref r)),
            _ => throw new MessagePackSerializationException("Unknown property."),
        };
        if (property == Property.Words) fields.Need(5);
        fields.End(ref r);
        return change;
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

    private static PageSize ReadSize(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 2);
        var size = new PageSize(r.ReadInt32(), r.ReadInt32());
        fields.End(ref r);
        return size;
    }

    // Whole numbers take one to five bytes, others nine.
    private static void WriteNumber(ref MessagePackWriter w, double number)
    {
        if (Math.Floor(number) == number && Math.Abs(number) < 1e15) w.Write((long)number);
        else w.Write(number);
    }
}

/// <summary>An array being read: at least so many fields, and what follows is of a later version.</summary>
internal struct Fields
{
    private readonly int _count;
    private int _known;

    public Fields(ref MessagePackReader reader, int known)
    {
        _count = reader.ReadArrayHeader();
        Need(known);
    }

    public void Need(int known)
    {
        _known = known;
        if (_count < known) throw new MessagePackSerializationException($"{known} fields were expected, {_count} came.");
    }

    public readonly void End(ref MessagePackReader reader)
    {
        for (var i = _known; i < _count; i++) reader.Skip();
    }
}
