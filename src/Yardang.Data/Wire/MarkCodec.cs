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
        BodyCodec.Write(ref w, mark.Body);
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
            BodyCodec.ReadBody(ref r), ReadStyle(ref r), ReadPlace(ref r), ReadInts(ref r), r.ReadBoolean());
        if (fields.Has(14)) mark = mark with { Scale = ReadScale(ref r), Pinned = r.ReadBoolean(), Tie = r.ReadInt64() };
        fields.End(ref r);
        return mark;
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

    public static void Write(ref MessagePackWriter w, Words words)
    {
        w.WriteArrayHeader(words.Also is null ? 4 : 5);
        w.Write(words.Text);
        w.Write(words.Language);
        Write(ref w, words.Lines);
        w.Write(words.Size);
        if (words.Also is not { } also) return;
        w.WriteArrayHeader(also.Length);
        foreach (var other in also)
        {
            w.WriteArrayHeader(4);
            w.Write(other.Language);
            w.Write(other.Text);
            Write(ref w, other.Lines);
            w.Write(other.Size);
        }
    }

    private static void Write(ref MessagePackWriter w, ImmutableArray<string> lines)
    {
        w.WriteArrayHeader(lines.Length);
        foreach (var line in lines) w.Write(line);
    }

    public static Words ReadWords(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 4);
        var text = ReadText(ref r);
        var language = ReadText(ref r);
        var words = new Words(text, language, ReadLines(ref r), r.ReadInt32());
        if (fields.Has(5)) words = words with { Also = ReadAlso(ref r) };
        fields.End(ref r);
        return words;
    }

    private static ImmutableArray<Translation> ReadAlso(ref MessagePackReader r)
    {
        var also = ImmutableArray.CreateBuilder<Translation>();
        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            var fields = new Fields(ref r, 4);
            also.Add(new(ReadText(ref r), ReadText(ref r), ReadLines(ref r), r.ReadInt32()));
            fields.End(ref r);
        }

        return also.ToImmutable();
    }

    private static ImmutableArray<string> ReadLines(ref MessagePackReader r)
    {
        var lines = ImmutableArray.CreateBuilder<string>();
        for (var left = r.ReadArrayHeader(); left > 0; left--) lines.Add(ReadText(ref r));
        return lines.ToImmutable();
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
