using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Attachments;
using Yardang.Core.Judges;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
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
/// <param name="Purpose">What students are to do.</param>
/// <param name="Line">Along what cards are ordered; null where they are not.</param>
/// <param name="LinkWords">Each names its text: words for links where cards are connected; none where they are not.</param>
/// <param name="Positions">Between which students say where they stand: the keys of their texts; none where they do not.</param>
public sealed record TemplateWall(ImmutableArray<string> Topics, WallRules Rules, Purpose Purpose = Purpose.Sort, LinePlan? Line = null, ImmutableArray<string> LinkWords = default, ImmutableArray<string> Positions = default);

/// <summary>A part of a template: pages or a wall.</summary>
/// <param name="Key">Names its text; empty where there is one part alone.</param>
/// <param name="Pages">In order; none of a wall.</param>
/// <param name="Wall">The wall; null for pages.</param>
/// <param name="Way">Who works with whom; null for as usual.</param>
public sealed record TemplatePart(string Key, ImmutableArray<TemplatePage> Pages, TemplateWall? Wall = null, Way? Way = null);

/// <summary>An activity to begin with. Words in braces are places to fill in.</summary>
/// <param name="Key">Its name in the program.</param>
/// <param name="Parts">In order.</param>
public sealed record Template(string Key, ImmutableArray<TemplatePart> Parts)
{
    /// <summary>A template of pages alone.</summary>
    public static Template OfPages(string key, params ImmutableArray<TemplatePage> pages) => new(key, [new("", pages)]);

    /// <summary>A template of a wall alone.</summary>
    public static Template OfWall(string key, ImmutableArray<string> topics, WallRules rules) => new(key, [new("", [], new(topics, rules))]);

    /// <summary>A template of a wall on whose question students say where they stand.</summary>
    public static Template ToStand(string key, ImmutableArray<string> topics, ImmutableArray<string> positions) => new(key, [new("", [], new(topics, new(Least: 1), Positions: positions))]);

    /// <summary>A template of a wall on which students ask.</summary>
    public static Template ToAsk(string key) => new(key, [new("", [], new([], new(Answers: true), Purpose.Ask))]);

    /// <summary>A template of a wall on which students go from station to station.</summary>
    public static Template ToVisit(string key, ImmutableArray<string> stations) => new(key, [new("", [], new(stations, new(Answers: true), Purpose.Visit))]);

    /// <summary>A template of a wall on which students order cards.</summary>
    public static Template ToOrder(string key, LinePlan line, WallRules rules) => new(key, [new("", [], new([], rules, Purpose.Order, line))]);

    /// <summary>A template of a wall on which students connect cards.</summary>
    public static Template ToConnect(string key, params ImmutableArray<string> linkWords) => new(key, [new("", [], new([], WallRules.Free, Purpose.Connect, LinkWords: linkWords))]);

    /// <summary>What it is made of, for whoever looks for one.</summary>
    public TemplateKind Kind => Parts.Length > 1 ? TemplateKind.Several : Parts[0].Wall is null ? TemplateKind.Boards : TemplateKind.Walls;

    /// <summary>The activity, before anything is filled in.</summary>
    /// <param name="language">Of the texts, BCP 47.</param>
    /// <param name="say">
    /// The text of a key: <c>Template.key.Name</c>, <c>Template.key.Directions</c>, <c>TemplatePage.key</c>, <c>OrganizerText.key</c>; of a wall
    /// <c>Template.key.Question</c>, <c>TemplateTopic.key</c> and <c>TemplateTopic.key.Prompt</c>, with a line <c>Template.key.Start</c> and <c>Template.key.End</c>, with words for links <c>TemplateLink.key</c>, with positions <c>TemplateStance.key</c>, with points <c>Template.key.Criterion</c>; of several parts <c>TemplatePart.key</c> and <c>TemplatePart.key.Question</c>.
    /// </param>
    public ActivityContent Content(string language, Func<string, string> say)
    {
        var parts = Parts.Select((p, i) => new Part(
            i + 1, p.Wall is null ? PartKind.Pages : PartKind.Wall, p.Wall is { } wall ? PlanOf(wall, Parts.Length == 1 ? $"Template.{Key}" : $"TemplatePart.{p.Key}", language, say) : null, Parts.Length == 1 ? null : Texts.In(language, say($"TemplatePart.{p.Key}")), p.Way)).ToImmutableArray();
        var filled = Parts.SelectMany((part, i) => part.Pages.Select(page => (Page: page, Part: i == 0 ? (int?)null : i + 1))).ToList();
        var pages = filled.Select((p, i) => new Page(i + 1, Texts.In(language, say($"TemplatePage.{p.Page.Key}")), PageSize.A4Wide, p.Page.Paper, Part: p.Part)).ToImmutableArray();
        var marks = ImmutableArray.CreateBuilder<Mark>();
        for (var i = 0; i < filled.Count; i++)
        {
            if (filled[i].Page.Organizer is not { } key) continue;
            var drawn = Organizers.Find(key).On(PageSize.A4Wide, language, text => say($"OrganizerText.{text}"));
            var first = marks.Count;
            marks.AddRange(drawn.Select((m, n) => m with { Id = first + n + 1, Page = i + 1, Order = first + n + 1 }));
        }

        return new(Texts.In(language, say($"Template.{Key}.Name")), Texts.In(language, say($"Template.{Key}.Directions")), pages, marks.ToImmutable(), Parts: parts is [var only] && only == Part.Pages ? null : parts);
    }

    private static WallPlan PlanOf(TemplateWall wall, string key, string language, Func<string, string> say)
    {
        var topics = wall.Topics.Select((t, i) => new Topic(i + 1, Texts.In(language, say($"TemplateTopic.{t}")), Texts.In(language, say($"TemplateTopic.{t}.Prompt")), i));
        var line = wall.Line is { } blank ? blank with { Start = Texts.In(language, say($"{key}.Start")), End = Texts.In(language, say($"{key}.End")) } : null;
        var field = wall.Purpose == Purpose.Connect ? FieldPlan.Blank with { Words = [.. wall.LinkWords.Select((w, i) => new LinkWord(i + 1, Texts.In(language, say($"TemplateLink.{w}"))))] } : null;
        var judging = wall.Rules.Judging is { Criterion: { } criterion } scored ? scored with { Criterion = criterion with { Says = Texts.In(language, say($"{key}.Criterion")) } } : wall.Rules.Judging;
        ImmutableArray<Texts>? positions = wall.Positions.IsDefault ? null : [.. wall.Positions.Select(p => Texts.In(language, say($"TemplateStance.{p}")))];
        return new(wall.Purpose, Texts.In(language, say($"{key}.Question")), [.. topics], wall.Rules with { Shows = Attachment.Usual, Judging = judging, Stances = positions }, Line: line, Field: field);
    }
}

/// <summary>What a template is made of.</summary>
public enum TemplateKind
{
    /// <summary>Pages.</summary>
    Boards,

    /// <summary>A wall.</summary>
    Walls,

    /// <summary>Several parts.</summary>
    Several,
}

/// <summary>The templates that come with the program.</summary>
public static class Templates
{
    /// <summary>All of them, as they are offered.</summary>
    public static readonly ImmutableArray<Template> All =
    [
        Template.OfPages("blackboard", Only("answer", PaperKind.Plain), Only("squares", PaperKind.Squared), Only("lines", PaperKind.Ruled)),
        Template.OfPages("firstIdeas", Filled("know", "kwl"), Only("draw", PaperKind.Plain), Filled("ticket", "ticket")),
        Template.OfPages("compare", Filled("compare", "venn2"), Filled("sort", "sorting"), Filled("conclude", "pmi")),
        Template.OfPages("measure", Only("plan", PaperKind.Squared), Filled("values", "table"), Only("plot", PaperKind.CoordinatePlane), Filled("why", "causes")),
        Template.OfPages("words", Filled("word", "wordmap"), Filled("oddone", "oddone"), Only("sentences", PaperKind.Ruled)),
        Template.OfPages("debate", Filled("corners", "corners"), Filled("opinion", "opinion"), Filled("conclude", "pmi")),
        Template.OfPages("explain", Filled("causes", "causes"), Filled("fishbone", "fishbone"), Filled("cycle", "cycle")),
        Template.OfPages("history", Filled("timeline", "timeline"), Filled("causes", "causes"), Filled("ticket", "ticket")),
        Template.OfPages("whoIsRight", Filled("cartoon", "cartoon"), Only("draw", PaperKind.Plain), Filled("sure", "report")),
        Template.OfPages("design", Filled("rank", "diamond"), Only("sketch", PaperKind.Isometric), Filled("values", "table"), Filled("stage", "stages")),
        Template.OfPages("welcome", Filled("me", "about"), Filled("sure", "report")),
        Template.OfPages("ticket", Filled("ticket", "ticket")),
        Template.OfWall("everybody", [], WallRules.Free),
        Template.OfWall("knowAndWonder", ["know", "wonder", "findOut"], new(Least: 2)),
        Template.OfWall("leaving", ["learned", "unsure", "more"], new(Least: 1, Most: 5)),
        Template.OfWall("forAndAgainst", ["for", "against", "depends"], new(Least: 2)),
        Template.ToStand("changedMyMind", ["for", "against"], ["for", "against", "unsure"]),
        Template.OfWall("prediction", ["predict", "happened", "because"], WallRules.Free),
        Template.OfWall("classRules", ["we", "weDoNot", "ifItFails"], new(Most: 6)),
        Template.OfWall("aboutMe", ["like", "can", "wantToLearn"], new(Least: 3, Most: 6)),
        Template.OfWall("howWasIt", ["wentWell", "wasHard", "wish"], new(Least: 1, Names: NamesTo.Teachers)),
        Template.OfWall("lookAtMine", ["draft"], new(Least: 1, Answers: true, InPairs: true, LeastAnswers: 2)),
        Template.OfWall("bestReason", [], new(Least: 1, Most: 3, Judging: new(JudgingKind.Score, 3, Criterion.Blank with { Words = Wanted.May }))),
        Template.OfWall("growTogether", [], new(Least: 1, Responses: [new("idea", Texts.None), new("question", Texts.None)], SaidAlready: true, BuildsOn: true)),
        Template.OfWall("readingLog", ["haveRead", "think", "wordsToKeep"], new(Answers: true)),
        Template.ToVisit("galleryWalk", ["firstPicture", "secondPicture", "thirdPicture"]),
        Template.ToOrder("whichFirst", LinePlan.Blank, new(OnlyGiven: true)),
        Template.ToOrder("timelineOfUs", new(LineKind.Years, Texts.None, Texts.None, 1700, 2030, Together: true), new(Least: 1)),
        Template.ToConnect("ideasJoined", "isPartOf", "leadsTo", "needs", "isLike", "prevents"),
        Template.ToAsk("backChannel"),
        Template.ToAsk("questionBox"),
        new("thinkShareLeave", [new("alone", [Only("idea", PaperKind.Plain)]), new("share", [], new(["bestIdea", "stillAsking"], new(Least: 1))), new("leave", [Filled("ticket", "ticket")])]),
        new("poolAndSort", [new("pool", [], new([], new(Least: 2))), new("sortInGroups", [], new(["firstKind", "secondKind", "thirdKind"], new(OnlyGiven: true, AnyMoves: true)), Way.ByGroup)]),
        new("predictTestExplain", [new("predict", [], new(["predict"], new(Least: 1, OwnFirst: true))), new("test", [Only("plan", PaperKind.Squared), Filled("values", "table")]), new("explain", [], new(["happened", "because"], new(Least: 1)))]),
    ];

    /// <summary>A template by its key; null if there is none.</summary>
    public static Template? Find(string key) => All.FirstOrDefault(t => string.Equals(t.Key, key, StringComparison.Ordinal));

    private static TemplatePage Filled(string key, string organizer) => new(key, organizer, Paper.Plain);

    private static TemplatePage Only(string key, PaperKind paper) => new(key, null, new Paper(paper));
}
