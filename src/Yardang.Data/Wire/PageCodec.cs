using System.Collections.Immutable;
using MessagePack;
using Yardang.Core.Activities;

namespace Yardang.Data.Wire;

/// <summary>Pages: [id, name, [width, height], paper, directions, withheld, order, taken out, stimulus, starters].</summary>
internal static class PageCodec
{
    public static void Write(ref MessagePackWriter w, Page page)
    {
        w.WriteArrayHeader(page.Starters is not null ? 10 : page.Stimulus is not null ? 9 : 8);
        w.Write(page.Id);
        MarkCodec.Write(ref w, page.Name);
        w.WriteArrayHeader(2);
        w.Write(page.Size.Width);
        w.Write(page.Size.Height);
        Write(ref w, page.Paper);
        MarkCodec.Write(ref w, page.Directions ?? Texts.None);
        w.Write((int)page.Withheld);
        MarkCodec.WriteNumber(ref w, page.Order);
        w.Write(page.Erased);
        if (page.Stimulus is not null || page.Starters is not null) Write(ref w, page.Stimulus);
        if (page.Starters is { } starters) Write(ref w, starters);
    }

    public static void Write(ref MessagePackWriter w, Stimulus? stimulus)
    {
        if (stimulus is null)
        {
            w.WriteNil();
            return;
        }

        w.WriteArrayHeader(3);
        w.Write((int)stimulus.Kind);
        w.Write(stimulus.Source);
        w.Write(stimulus.Title);
    }

    public static Stimulus? ReadStimulus(ref MessagePackReader r)
    {
        if (r.TryReadNil()) return null;
        var fields = new Fields(ref r, 3);
        var stimulus = new Stimulus((StimulusKind)r.ReadInt32(), MarkCodec.ReadText(ref r), MarkCodec.ReadText(ref r));
        fields.End(ref r);
        return stimulus;
    }

    public static Page ReadPage(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 8);
        var page = new Page(r.ReadInt64(), MarkCodec.ReadTexts(ref r), ReadSize(ref r), ReadPaper(ref r));
        var directions = MarkCodec.ReadTexts(ref r);
        page = page with { Directions = directions.IsEmpty ? null : directions, Withheld = (ToolSet)r.ReadInt32(), Order = r.ReadDouble(), Erased = r.ReadBoolean() };
        if (fields.Has(9)) page = page with { Stimulus = ReadStimulus(ref r) };
        if (fields.Has(10)) page = page with { Starters = ReadStarters(ref r) };
        fields.End(ref r);
        return page;
    }

    public static void Write(ref MessagePackWriter w, ImmutableArray<Texts> starters)
    {
        w.WriteArrayHeader(starters.Length);
        foreach (var starter in starters) MarkCodec.Write(ref w, starter);
    }

    public static ImmutableArray<Texts> ReadStarters(ref MessagePackReader r)
    {
        var starters = ImmutableArray.CreateBuilder<Texts>();
        for (var left = r.ReadArrayHeader(); left > 0; left--) starters.Add(MarkCodec.ReadTexts(ref r));
        return starters.ToImmutable();
    }

    public static void Write(ref MessagePackWriter w, Paper paper)
    {
        w.WriteArrayHeader(paper.Media is null ? 6 : 7);
        w.Write((int)paper.Kind);
        w.Write(paper.Spacing);
        Write(ref w, paper.Across);
        Write(ref w, paper.Up);
        w.Write(paper.Columns);
        w.Write(paper.Rows);
        if (paper.Media is not null) w.Write(paper.Media);
    }

    // Version 1 wrote the kind alone.
    public static Paper ReadPaper(ref MessagePackReader r)
    {
        if (r.NextMessagePackType == MessagePackType.Integer) return new Paper((PaperKind)r.ReadInt32());
        var fields = new Fields(ref r, 6);
        var paper = new Paper((PaperKind)r.ReadInt32(), r.ReadInt32(), ReadAxis(ref r), ReadAxis(ref r), r.ReadInt32(), r.ReadInt32());
        if (fields.Has(7)) paper = paper with { Media = MarkCodec.ReadText(ref r) };
        fields.End(ref r);
        return paper;
    }

    public static PageSize ReadSize(ref MessagePackReader r)
    {
        var fields = new Fields(ref r, 2);
        var size = new PageSize(r.ReadInt32(), r.ReadInt32());
        fields.End(ref r);
        return size;
    }

    private static void Write(ref MessagePackWriter w, Axis? axis)
    {
        if (axis is null)
        {
            w.WriteNil();
            return;
        }

        w.WriteArrayHeader(3);
        w.Write(axis.From);
        w.Write(axis.To);
        w.Write(axis.Step);
    }

    private static Axis? ReadAxis(ref MessagePackReader r)
    {
        if (r.TryReadNil()) return null;
        var fields = new Fields(ref r, 3);
        var axis = new Axis(r.ReadInt32(), r.ReadInt32(), r.ReadInt32());
        fields.End(ref r);
        return axis;
    }
}
