using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Walls;

namespace Yardang.Core.Cupboard;

/// <summary>A page of a template: an organizer, or only a paper.</summary>
/// <param name="Key">Names its texts: what the page is called.</param>
/// <param name="Organizer">Key of an organizer; null for none.</param>
/// <param name="Paper">The ruling.</param>
public sealed record TemplatePage(string Key, string? Organizer, Paper Paper);

/// <summary>The wall of a template.</summary>
/// <param name="Topics">Each names its texts: what the topic is called, and what to write there.</param>
/// <param name="Rules">What each student may and owes.</param>
public sealed record TemplateWall(ImmutableArray<string> Topics, WallRules Rules);

/// <summary>An activity to begin with. Words in braces are places to fill in.</summary>
/// <param name="Key">Its name in the program.</param>
/// <param name="Pages">In order; none of a wall.</param>
/// <param name="Wall">The wall; null for pages.</param>
public sealed record Template(string Key, ImmutableArray<TemplatePage> Pages, TemplateWall? Wall = null)
{
    /// <summary>The activity, before anything is filled in.</summary>
    /// <param name="language">Of the texts, BCP 47.</param>
    /// <param name="say">
    /// The text of a key: <c>Template.key.Name</c>, <c>Template.key.Directions</c>, <c>TemplatePage.key</c>, <c>OrganizerText.key</c>; of a wall
    /// <c>Template.key.Question</c>, <c>TemplateTopic.key</c> and <c>TemplateTopic.key.Prompt</c>.
    /// </param>
    public ActivityContent Content(string language, Func<string, string> say)
    {
        var pages = Pages.Select((p, i) => new Page(i + 1, Texts.In(language, say($"TemplatePage.{p.Key}")), PageSize.A4Wide, p.Paper)).ToImmutableArray();
        var marks = ImmutableArray.CreateBuilder<Mark>();
        for (var i = 0; i < Pages.Length; i++)
        {
            if (Pages[i].Organizer is not { } key) continue;
            var drawn = Organizers.Find(key).On(PageSize.A4Wide, language, text => say($"OrganizerText.{text}"));
            var first = marks.Count;
            marks.AddRange(drawn.Select((m, n) => m with { Id = first + n + 1, Page = i + 1, Order = first + n + 1 }));
        }

        return new(Texts.In(language, say($"Template.{Key}.Name")), Texts.In(language, say($"Template.{Key}.Directions")), pages, marks.ToImmutable(), Parts: Wall is null ? null : [new Part(1, PartKind.Wall, PlanOf(Wall, language, say))]);
    }

    private WallPlan PlanOf(TemplateWall wall, string language, Func<string, string> say)
    {
        var topics = wall.Topics.Select((t, i) => new Topic(i + 1, Texts.In(language, say($"TemplateTopic.{t}")), Texts.In(language, say($"TemplateTopic.{t}.Prompt")), i));
        return new(Purpose.Sort, Texts.In(language, say($"Template.{Key}.Question")), [.. topics], wall.Rules);
    }
}

/// <summary>The templates that come with the program.</summary>
public static class Templates
{
    /// <summary>All of them, as they are offered.</summary>
    public static readonly ImmutableArray<Template> All =
    [
        new("blackboard", [Only("answer", PaperKind.Plain), Only("squares", PaperKind.Squared), Only("lines", PaperKind.Ruled)]),
        new("firstIdeas", [Filled("know", "kwl"), Only("draw", PaperKind.Plain), Filled("ticket", "ticket")]),
        new("compare", [Filled("compare", "venn2"), Filled("sort", "sorting"), Filled("conclude", "pmi")]),
        new("measure", [Only("plan", PaperKind.Squared), Filled("values", "table"), Only("plot", PaperKind.CoordinatePlane), Filled("why", "causes")]),
        new("words", [Filled("word", "wordmap"), Filled("oddone", "oddone"), Only("sentences", PaperKind.Ruled)]),
        new("debate", [Filled("corners", "corners"), Filled("opinion", "opinion"), Filled("conclude", "pmi")]),
        new("explain", [Filled("causes", "causes"), Filled("fishbone", "fishbone"), Filled("cycle", "cycle")]),
        new("history", [Filled("timeline", "timeline"), Filled("causes", "causes"), Filled("ticket", "ticket")]),
        new("whoIsRight", [Filled("cartoon", "cartoon"), Only("draw", PaperKind.Plain), Filled("sure", "report")]),
        new("design", [Filled("rank", "diamond"), Only("sketch", PaperKind.Isometric), Filled("values", "table"), Filled("stage", "stages")]),
        new("welcome", [Filled("me", "about"), Filled("sure", "report")]),
        new("ticket", [Filled("ticket", "ticket")]),
        new("everybody", [], new([], WallRules.Free)),
        new("knowAndWonder", [], new(["know", "wonder", "findOut"], new(Least: 2))),
        new("leaving", [], new(["learned", "unsure", "more"], new(Least: 1, Most: 5))),
        new("forAndAgainst", [], new(["for", "against", "depends"], new(Least: 2))),
        new("prediction", [], new(["predict", "happened", "because"], WallRules.Free)),
        new("classRules", [], new(["we", "weDoNot", "ifItFails"], new(Most: 6))),
        new("aboutMe", [], new(["like", "can", "wantToLearn"], new(Least: 3, Most: 6))),
    ];

    /// <summary>A template by its key; null if there is none.</summary>
    public static Template? Find(string key) => All.FirstOrDefault(t => string.Equals(t.Key, key, StringComparison.Ordinal));

    private static TemplatePage Filled(string key, string organizer) => new(key, organizer, Paper.Plain);

    private static TemplatePage Only(string key, PaperKind paper) => new(key, null, new Paper(paper));
}
