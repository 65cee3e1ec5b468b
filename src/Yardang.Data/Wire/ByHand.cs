using System.Collections.Immutable;
using MessagePack;
using Yardang.Core.Activities;
using Yardang.Core.Editing;
using Yardang.Core.Ink;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;

namespace Yardang.Data.Wire;

/// <summary>What has a form of its own: ink, numbers, texts, whole activities, and values that a reader may not know.</summary>
internal static class ByHand
{
    // Ink is the bulk of the traffic: differences to the point before, flat, so that most numbers take one byte.
    public static void Write(ref MessagePackWriter w, ImmutableArray<InkPoint> points)
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

    public static ImmutableArray<InkPoint> ReadInkPoints(ref MessagePackReader r)
    {
        var count = r.ReadArrayHeader();
        if (count % 4 != 0 || count > 4 * Limits.InkPoints) throw new MessagePackSerializationException("Points come in fours, and not too many.");
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

    public static void Write(ref MessagePackWriter w, ActivityContent content) => w.Write(ActivityJson.Write(content));

    public static ActivityContent ReadActivityContent(ref MessagePackReader r) =>
        ActivityJson.Read(r.ReadBytes() is { } bytes ? System.Buffers.BuffersExtensions.ToArray(bytes) : throw new MessagePackSerializationException("An activity is missing."));

    // Whole numbers take one to five bytes, others nine.
    public static void WriteNumber(ref MessagePackWriter w, double number)
    {
        if (Math.Floor(number) == number && Math.Abs(number) < 1e15) w.Write((long)number);
        else w.Write(number);
    }

    public static string ReadText(ref MessagePackReader r) => r.ReadString() ?? throw new MessagePackSerializationException("A text is missing.");

    public static int? OrNull(int value) => value < 0 ? null : value;

    public static long? OrNull(long value) => value < 0 ? null : value;

    public static Texts? OrNull(Texts texts) => texts.IsEmpty ? null : texts;

    // [-property, target, nil] stands for a value that the reader may not know.
    public static bool WriteUnsaid(ref MessagePackWriter w, Change change)
    {
        if (change is not Hidden) return false;
        w.WriteArrayHeader(3);
        w.Write(-(int)change.Property);
        w.Write(change.Target);
        w.WriteNil();
        return true;
    }

    public static Hidden ReadUnsaid(ref MessagePackReader r, Fields fields, int property, long target)
    {
        fields.End(ref r);
        return new(target, (Property)property);
    }
}
