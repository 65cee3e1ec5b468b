using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Walls;

namespace Yardang.Core.Activities;

/// <summary>All that a teacher designed: what an archive holds, and what is frozen when the activity is handed out.</summary>
/// <param name="Name">What the activity is called.</param>
/// <param name="Directions">What students are to do.</param>
/// <param name="Pages">In order; at least one of each part of pages.</param>
/// <param name="Marks">Printed and loose marks and the answer key, back to front.</param>
/// <param name="Unit">In which lengths are shown.</param>
/// <param name="Parts">Its steps, in order; null for pages alone, as every activity was before there were walls.</param>
/// <param name="Phases">What is planned for the lesson, in order; null if nothing is. For teachers.</param>
public sealed record ActivityContent(Texts Name, Texts Directions, ImmutableArray<Page> Pages, ImmutableArray<Mark> Marks, LengthUnit Unit = LengthUnit.Centimetre, ImmutableArray<Part>? Parts = null, ImmutableArray<PlannedPhase>? Phases = null)
{
    /// <summary>Its steps, in order; at least one.</summary>
    [JsonIgnore]
    public ImmutableArray<Part> Steps => Parts ?? [Part.Pages];

    /// <summary>One of its steps; null if there is none with this number.</summary>
    public Part? Find(int part) => Steps.FirstOrDefault(p => p.Number == part);

    /// <summary>The pages of one of its steps, with what stands on them, as an activity of its own.</summary>
    public ActivityContent PagesOf(int part)
    {
        ImmutableArray<Page> pages = [.. Pages.Where(p => p.OfPart == part).Select(p => p with { Part = null })];
        var ids = pages.Select(p => p.Id).ToHashSet();
        return this with { Pages = pages, Marks = [.. Marks.Where(m => ids.Contains(m.Page))], Parts = null, Phases = null };
    }

    /// <summary>An activity with one empty page, as the workshop starts it.</summary>
    public static ActivityContent Blank(string language, string name) =>
        new(Texts.In(language, name), Texts.None, [new Page(1, Texts.None, PageSize.A4Wide, Paper.Plain)], []);

    /// <summary>A wall activity, as the workshop starts it.</summary>
    public static ActivityContent BlankWall(string language, string name) =>
        new(Texts.In(language, name), Texts.None, [], [], Parts: [new Part(1, PartKind.Wall, WallPlan.Blank)]);
}
