using System.Collections.Immutable;
using MessagePack;
using Yardang.Core.Activities;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;

namespace Yardang.Data.Wire;

/// <summary>Changes of properties: [property, target, value ...]. Additive only, as <see cref="MarkCodec"/>.</summary>
internal static class ChangeCodec
{
    public static void Write(ref MessagePackWriter w, ImmutableArray<Change> changes)
    {
        w.WriteArrayHeader(changes.Length);
        foreach (var change in changes) Write(ref w, change);
    }

    public static ImmutableArray<Change> ReadChanges(ref MessagePackReader r)
    {
        var count = r.ReadArrayHeader();
        if (count > Limits.Changes) throw new MessagePackSerializationException("Too many changes.");
        var changes = ImmutableArray.CreateBuilder<Change>(count);
        for (; count > 0; count--) changes.Add(ReadChange(ref r));
        return changes.MoveToImmutable();
    }

    public static void Write(ref MessagePackWriter w, Change change)
    {
        w.WriteArrayHeader(change is Wording ? 5 : 3);
        w.Write(change is Hidden ? -(int)change.Property : (int)change.Property);
        w.Write(change.Target);
        switch (change)
        {
            case Hidden: w.WriteNil(); break;
            case Placed(_, var place): MarkCodec.Write(ref w, place); break;
            case Erasing(_, var erased): w.Write(erased); break;
            case Cutting(_, var cuts): MarkCodec.Write(ref w, cuts); break;
            case Styling(_, var style): MarkCodec.Write(ref w, style); break;
            case Scaling(_, var scale): MarkCodec.Write(ref w, scale); break;
            case Remaking(_, var body): BodyCodec.Write(ref w, body); break;
            case Pinning(_, var pinned): w.Write(pinned); break;
            case Tying(_, var tie): w.Write(tie); break;
            case Ordering(_, var order): MarkCodec.WriteNumber(ref w, order); break;
            case Gripping(_, var grip): w.Write((int)grip); break;
            case Naming(var name): MarkCodec.Write(ref w, name); break;
            case Directing(var directions): MarkCodec.Write(ref w, directions); break;
            case Measuring(var unit): w.Write((int)unit); break;
            case PageNaming(_, var name): MarkCodec.Write(ref w, name); break;
            case PageErasing(_, var erased): w.Write(erased); break;
            case PageOrdering(_, var order): MarkCodec.WriteNumber(ref w, order); break;
            case PageDirecting(_, var directions): MarkCodec.Write(ref w, directions); break;
            case Withholding(_, var tools): w.Write((int)tools); break;
            case Papering(_, var paper): PageCodec.Write(ref w, paper); break;
            case Starting(_, var starters): PageCodec.Write(ref w, starters); break;
            case Stimulating(_, var stimulus): PageCodec.Write(ref w, stimulus); break;
            case Sizing(_, var size):
                w.WriteArrayHeader(2);
                w.Write(size.Width);
                w.Write(size.Height);
                break;
            case Wording(_, var words, var width, var height):
                MarkCodec.Write(ref w, words);
                w.Write(width);
                w.Write(height);
                break;
        }
    }

    public static Change ReadChange(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 3);
        var number = r.ReadInt32();
        var property = (Property)Math.Abs(number);
        var target = r.ReadInt64();
        if (number < 0)
        {
            r.Skip();
            fields.End(ref r);
            return new Hidden(target, property);
        }

        if (property == Property.Words) fields.Need(5);
        Change change = property switch
        {
            Property.Place => new Placed(target, MarkCodec.ReadPlace(ref r)),
            Property.Erased => new Erasing(target, r.ReadBoolean()),
            Property.Cuts => new Cutting(target, MarkCodec.ReadInts(ref r)),
            Property.Style => new Styling(target, MarkCodec.ReadStyle(ref r)),
            Property.Scale => new Scaling(target, MarkCodec.ReadScale(ref r)),
            Property.Body => new Remaking(target, BodyCodec.ReadBody(ref r)),
            Property.Pinned => new Pinning(target, r.ReadBoolean()),
            Property.Tie => new Tying(target, r.ReadInt64()),
            Property.Order => new Ordering(target, r.ReadDouble()),
            Property.Grip => new Gripping(target, (Grip)r.ReadInt32()),
            Property.Words => new Wording(target, MarkCodec.ReadWords(ref r), r.ReadInt32(), r.ReadInt32()),
            Property.Name => new Naming(MarkCodec.ReadTexts(ref r)),
            Property.Directions => new Directing(MarkCodec.ReadTexts(ref r)),
            Property.Unit => new Measuring((LengthUnit)r.ReadInt32()),
            Property.PageName => new PageNaming(target, MarkCodec.ReadTexts(ref r)),
            Property.PageErased => new PageErasing(target, r.ReadBoolean()),
            Property.PageOrder => new PageOrdering(target, r.ReadDouble()),
            Property.PageDirections => new PageDirecting(target, MarkCodec.ReadTexts(ref r)),
            Property.Withheld => new Withholding(target, (ToolSet)r.ReadInt32()),
            Property.Paper => new Papering(target, PageCodec.ReadPaper(ref r)),
            Property.Starters => new Starting(target, PageCodec.ReadStarters(ref r)),
            Property.Stimulus => new Stimulating(target, PageCodec.ReadStimulus(ref r)),
            Property.Size => new Sizing(target, PageCodec.ReadSize(ref r)),
            _ => throw new MessagePackSerializationException("Unknown property."),
        };
        fields.End(ref r);
        return change;
    }
}
