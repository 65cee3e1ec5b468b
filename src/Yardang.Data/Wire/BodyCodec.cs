using System.Collections.Immutable;
using MessagePack;
using Yardang.Core.Ink;
using Yardang.Core.LateChanges;
using Yardang.Core.Marks;

namespace Yardang.Data.Wire;

/// <summary>What marks are made of: [kind, fields ...]. Additive only, as <see cref="MarkCodec"/>.</summary>
internal static class BodyCodec
{
    private enum BodyKind
    {
        Ink = 1,
        Text = 2,
        Note = 3,
        Shape = 4,
        Picture = 5,
        Bubble = 6,
        Formula = 7,
        Stamp = 8,
        Connector = 9,
        Zone = 10,
    }

    public static void Write(ref MessagePackWriter w, MarkBody body)
    {
        switch (body)
        {
            case InkBody ink:
                Begin(ref w, BodyKind.Ink, 1);
                Write(ref w, ink.Points);
                break;
            case TextBody t:
                BeginBox(ref w, BodyKind.Text, t.X, t.Y, t.Width, t.Height, 1);
                MarkCodec.Write(ref w, t.Words);
                break;
            case NoteBody n:
                BeginBox(ref w, BodyKind.Note, n.X, n.Y, n.Width, n.Height, 1);
                MarkCodec.Write(ref w, n.Words);
                break;
            case BubbleBody b:
                BeginBox(ref w, BodyKind.Bubble, b.X, b.Y, b.Width, b.Height, 3);
                MarkCodec.Write(ref w, b.Words);
                w.Write(b.TipX);
                w.Write(b.TipY);
                break;
            case PictureBody p:
                BeginBox(ref w, BodyKind.Picture, p.X, p.Y, p.Width, p.Height, p.Text is null ? 2 : 3);
                w.Write(p.Media);
                w.Write(p.Description);
                if (p.Text is not null) w.Write(p.Text);
                break;
            case FormulaBody f:
                BeginBox(ref w, BodyKind.Formula, f.X, f.Y, f.Width, f.Height, 2);
                w.Write(f.Source);
                w.Write(f.Outline);
                break;
            case StampBody s:
                BeginBox(ref w, BodyKind.Stamp, s.X, s.Y, s.Width, s.Height, 1);
                w.Write(s.Stamp);
                break;
            case ShapeBody s:
                Begin(ref w, BodyKind.Shape, 2);
                w.Write((int)s.Shape);
                MarkCodec.Write(ref w, s.Points);
                break;
            case ConnectorBody c:
                Begin(ref w, BodyKind.Connector, 4);
                w.Write(c.From);
                w.Write(c.To);
                MarkCodec.Write(ref w, c.Points);
                if (c.Label is null) w.WriteNil();
                else MarkCodec.Write(ref w, c.Label);
                break;
            case ZoneBody z:
                Begin(ref w, BodyKind.Zone, 5);
                w.Write((int)z.Shape);
                MarkCodec.Write(ref w, z.Points);
                MarkCodec.Write(ref w, z.Name);
                w.Write((int)z.Rule);
                Write(ref w, z.Expected);
                break;
        }
    }

    public static MarkBody ReadBody(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 2);
        var kind = (BodyKind)r.ReadInt32();
        fields.Need(kind switch
        {
            BodyKind.Text or BodyKind.Note or BodyKind.Stamp or BodyKind.Zone => 6,
            BodyKind.Picture or BodyKind.Formula => 7,
            BodyKind.Bubble => 8,
            BodyKind.Shape => 3,
            BodyKind.Connector => 5,
            _ => 2,
        });
        MarkBody body = kind switch
        {
            BodyKind.Ink => new InkBody(ReadPoints(ref r)),
            BodyKind.Text => new TextBody(r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), MarkCodec.ReadWords(ref r)),
            BodyKind.Note => new NoteBody(r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), MarkCodec.ReadWords(ref r)),
            BodyKind.Bubble => new BubbleBody(r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), MarkCodec.ReadWords(ref r), r.ReadInt32(), r.ReadInt32()),
            BodyKind.Shape => new ShapeBody((ShapeKind)r.ReadInt32(), MarkCodec.ReadInts(ref r)),
            BodyKind.Picture => new PictureBody(
                r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), MarkCodec.ReadText(ref r), MarkCodec.ReadText(ref r), fields.Has(8) ? MarkCodec.ReadText(ref r) : null),
            BodyKind.Formula => new FormulaBody(r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), MarkCodec.ReadText(ref r), MarkCodec.ReadText(ref r)),
            BodyKind.Stamp => new StampBody(r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), r.ReadInt32(), MarkCodec.ReadText(ref r)),
            BodyKind.Connector => new ConnectorBody(r.ReadInt64(), r.ReadInt64(), MarkCodec.ReadInts(ref r), r.TryReadNil() ? null : MarkCodec.ReadWords(ref r)),
            BodyKind.Zone => new ZoneBody((ShapeKind)r.ReadInt32(), MarkCodec.ReadInts(ref r), MarkCodec.ReadTexts(ref r), (ZoneRule)r.ReadInt32(), ReadExpectation(ref r)),
            _ => throw new MessagePackSerializationException("Unknown kind of mark."),
        };
        fields.End(ref r);
        return body;
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

    public static void Write(ref MessagePackWriter w, ZoneKey key)
    {
        w.WriteArrayHeader(2);
        w.Write(key.Zone);
        Write(ref w, key.Expected);
    }

    public static ZoneKey ReadZoneKey(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 2);
        var key = new ZoneKey(r.ReadInt64(), ReadExpectation(ref r) ?? Expectation.None);
        fields.End(ref r);
        return key;
    }

    private static void Write(ref MessagePackWriter w, Expectation? expected)
    {
        if (expected is null)
        {
            w.WriteNil();
            return;
        }

        w.WriteArrayHeader(4);
        w.WriteArrayHeader(expected.Marks.Length);
        foreach (var id in expected.Marks) w.Write(id);
        w.WriteArrayHeader(expected.Answers.Length);
        foreach (var answer in expected.Answers) w.Write(answer);
        w.Write(expected.Least ?? -1);
        w.Write(expected.Most ?? -1);
    }

    private static Expectation? ReadExpectation(ref MessagePackReader r)
    {
        if (r.TryReadNil()) return null;
        var fields = new Fields(ref r, 4);
        var marks = ImmutableArray.CreateBuilder<long>();
        for (var left = r.ReadArrayHeader(); left > 0; left--) marks.Add(r.ReadInt64());
        var answers = ImmutableArray.CreateBuilder<string>();
        for (var left = r.ReadArrayHeader(); left > 0; left--) answers.Add(MarkCodec.ReadText(ref r));
        int least = r.ReadInt32(), most = r.ReadInt32();
        fields.End(ref r);
        return new(marks.ToImmutable(), answers.ToImmutable(), least < 0 ? null : least, most < 0 ? null : most);
    }

    private static void Begin(ref MessagePackWriter w, BodyKind kind, int fields)
    {
        w.WriteArrayHeader(1 + fields);
        w.Write((int)kind);
    }

    private static void BeginBox(ref MessagePackWriter w, BodyKind kind, int x, int y, int width, int height, int more)
    {
        Begin(ref w, kind, 4 + more);
        w.Write(x);
        w.Write(y);
        w.Write(width);
        w.Write(height);
    }
}
