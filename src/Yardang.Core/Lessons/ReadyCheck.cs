using Yardang.Core.Activities;
using Yardang.Core.Attachments;
using Yardang.Core.Judges;
using Yardang.Core.Marks;
using Yardang.Core.Moderation;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;

namespace Yardang.Core.Lessons;

/// <summary>A line of the ready check. The interface has a sentence for each.</summary>
/// <param name="Key">Names the sentence.</param>
/// <param name="IsWarning">Whether it is something probably forgotten, rather than something students will be able to do.</param>
/// <param name="Count">The number that the sentence mentions.</param>
/// <param name="Names">What the sentence lists.</param>
/// <param name="Page">The first page where it is to be mended; null if it is no matter of a page.</param>
/// <param name="Mark">The first mark that is to be mended; null if it is no matter of a mark.</param>
/// <param name="Topic">The first topic of a wall that is to be mended; null if it is no matter of a topic.</param>
/// <param name="Part">The number of the part of which it speaks; null if it speaks of the whole lesson.</param>
public sealed record ReadyLine(string Key, bool IsWarning = false, int Count = 0, string Names = "", long? Page = null, long? Mark = null, long? Topic = null, int? Part = null);

/// <summary>How an activity is about to be handed out.</summary>
/// <param name="Door">Whether newcomers walk in.</param>
/// <param name="Way">Who works with whom in an activity of one part.</param>
/// <param name="Masked">Whether classmates see masks instead of names.</param>
/// <param name="HasPassword">Whether newcomers type a password besides the code.</param>
/// <param name="HasList">Whether the people of a class list are expected.</param>
/// <param name="Times">When it opens, is due and closes.</param>
/// <param name="Introduction">How newcomers say who they are.</param>
/// <param name="OneByOne">Whether of several parts only the first is open to begin with.</param>
/// <param name="LooksFirst">When a teacher looks at what students write where several work, before others see it.</param>
public sealed record HandingPlan(
    Door Door, Way Way, bool Masked = false, bool HasPassword = false, bool HasList = false, LessonTimes? Times = null, Introduction Introduction = Introduction.Name, bool OneByOne = false, ApprovalWhen LooksFirst = ApprovalWhen.Never);

/// <summary>What students will be able to do, and what was probably forgotten, before anything is handed out.</summary>
public static class ReadyCheck
{
    private const ToolSet EveryTool = ToolSet.Pen | ToolSet.Highlighter | ToolSet.Text | ToolSet.Note | ToolSet.Shape | ToolSet.Picture | ToolSet.Stamp | ToolSet.Formula;

    /// <summary>The lines for handing out an activity.</summary>
    /// <param name="activity">What is handed out; of several parts, each says who works with whom in it.</param>
    /// <param name="plan">How.</param>
    public static IReadOnlyList<ReadyLine> For(ActivityContent activity, HandingPlan plan)
    {
        var (door, masked) = (plan.Door, plan.Masked);
        var times = plan.Times ?? LessonTimes.None;
        var parts = activity.Steps;
        List<ReadyLine> lines =
        [
            .. parts.Length > 1 ? [new ReadyLine(plan.OneByOne ? "PartsOneByOne" : "PartsAllOpen", Count: parts.Length)] : Array.Empty<ReadyLine>(),
            .. parts.SelectMany(p => Of(p, p.Wall is { } wall ? OnWall(wall, WayIn(p)) : OnBoards(WayIn(p), activity.PagesOf(p.Number)))),
            new(masked ? "NamesMasked" : NamesOf(parts.Where(p => WayIn(p) != Way.OneEach))),
            new((plan.HasList ? "ByList" : "By") + plan.Introduction),
            door switch { Door.Open => new(plan.HasList ? "ClassList" : "DoorOpen"), Door.Ask => new("DoorAsks"), _ => new("DoorClosed", IsWarning: true) },
        ];
        if (plan.LooksFirst != ApprovalWhen.Never && parts.Any(p => WayIn(p) != Way.OneEach && p.Wall is not { IsSealed: true })) lines.Add(new(plan.LooksFirst == ApprovalWhen.Always ? "LooksFirst" : "LooksFirstOutside"));
        var printed = activity.Marks.Count(m => m.Grip == Grip.Printed);
        var loose = activity.Marks.Count(m => m.Grip == Grip.Loose);
        var key = activity.Marks.Count(m => m.Grip == Grip.Key);
        var fewer = activity.Pages.Count(p => p.Withheld != ToolSet.None);
        if (activity.Pages.Length > 1) lines.Add(new("Pages", Count: activity.Pages.Length));
        if (printed > 0) lines.Add(new("PrintedStays", Count: printed));
        if (loose > 0) lines.Add(new("LooseMoves", Count: loose));
        var fields = activity.Marks.Count(m => m.Body is AnswerFieldBody);
        if (fields > 0) lines.Add(new("FieldsAsk", Count: fields));
        if (key > 0) lines.Add(new("KeyHidden", Count: key));
        if (Languages.In(activity) is { Count: > 1 } languages) lines.Add(new("Languages", Count: languages.Count));
        if (fewer > 0) lines.Add(new("FewerTools", Count: fewer));
        if (plan.HasList && door == Door.Ask) lines.Add(new("ClassListAsks"));
        if (plan.HasPassword) lines.Add(new("Password"));
        if (times.OpensAt is not null) lines.Add(new("Opens"));
        if (times.HandsIn) lines.Add(new(times.DueAt is null ? "HandsIn" : "HandsInDue"));
        lines.Add(new(times.ClosesAt is null ? "StaysOpen" : "Closes"));
        var byGroup = parts.Any(p => WayIn(p) == Way.ByGroup);
        var hasDirections = !activity.Directions.IsEmpty;
        return
        [
            .. lines, .. Forgotten(plan, times, byGroup), .. Forgotten(activity),
            .. parts.SelectMany(p => Of(p, p.Wall is { } wall ? OfWall(wall, plan.Masked && WayIn(p) != Way.OneEach) : OfPages(activity.PagesOf(p.Number), hasDirections, WayIn(p)))),
        ];

        Way WayIn(Part part) => parts.Length == 1 ? plan.Way : part.WayOrUsual();
        IEnumerable<ReadyLine> Of(Part part, IEnumerable<ReadyLine> said) => parts.Length == 1 ? said : said.Select(l => l with { Part = part.Number });
    }

    // Of the parts in which several work together.
    private static string NamesOf(IEnumerable<Part> shared) => shared.Any(p => p.Wall is { HidesNames: false }) ? "NamesSeenOnWall" : shared.Any(p => p.Wall is null) ? "NamesSeen" : shared.Any(p => p.Wall is { IsSealed: false }) ? "NamesToYou" : shared.Any() ? "NamesToNobody" : "NamesAlone";

    private static IEnumerable<ReadyLine> OnBoards(Way way, ActivityContent pages) =>
    [
        new(way switch { Way.OneEach => "OwnCopy", Way.ByGroup => "GroupCopy", _ => "OneForAll" }),
        new("WriteDrawTypeNote"),
        new("OnlyTheirOwn"),
        .. Enum.GetValues<AttachmentKinds>().Where(k => k != AttachmentKinds.None && PageShows.OnPages.HasFlag(k))
            .Select(k => new ReadyLine($"PageShow{k}", Count: pages.Pages.Count(p => p.Shows?.Kinds.HasFlag(k) == true))).Where(l => l.Count > 0),
        new(way switch { Way.OneEach => "NotSeeOthers", Way.ByGroup => "SeeTheirGroup", _ => "SeeOthersWork" }),
        .. way != Way.OneEach && pages.Pages.Any(p => !p.Withheld.HasFlag(ToolSet.Answer)) ? [new ReadyLine("TalkAbout")] : Array.Empty<ReadyLine>(),
        new("YouSeeAll"),
    ];

    private static IEnumerable<ReadyLine> OnWall(WallPlan wall, Way way)
    {
        yield return new(way switch { Way.OneEach => "OwnWall", Way.ByGroup => "GroupWall", _ => "OneWall" });
        var asks = wall.Purpose == Purpose.Ask;
        var what = asks ? "Questions" : "Cards";
        yield return asks ? new("AskQuestions") : wall.LineShown is not null ? new("PlaceCards") : wall.FieldShown is not null ? new("ConnectCards") : wall.Purpose == Purpose.Visit ? new("VisitStations", Count: wall.Topics.Length) : wall.Topics.IsEmpty ? new("PutUpCards") : new("PutUpUnder", Count: wall.Topics.Length);
        if (wall.LineShown is { } line) yield return new(line.Together ? "PlaceTogether" : "PlaceAlone");
        if (wall.FieldShown is { } field)
        {
            yield return new(field.OnlyThese && !field.Words.IsEmpty ? "LinkOnlyWords" : "LinkAnyWords");
            if (wall.LinksOwnOnly) yield return new("LinkOwnCards");
            if (field.AnyMoves) yield return new("AnyMoves");
        }

        if (!wall.Given.IsEmpty) yield return new(wall.Rules.OnlyGiven ? "OnlyGiven" : "GivenCards", Count: wall.Given.Length);
        if (wall.Rules.Least > 0) yield return new($"Least{what}", Count: wall.Rules.Least);
        if (wall.Rules.Most > 0) yield return new($"Most{what}", Count: wall.Rules.Most);
        if (wall.CountsPerTopic && (wall.Rules.Least > 0 || wall.Rules.Most > 0)) yield return new("PerTopic");
        if (wall is { Purpose: Purpose.Visit, Rules.Stations: > 0 and var stations }) yield return new("AtStations", Count: stations);
        if (!wall.Rules.OnlyGiven) yield return new($"OnlyTheir{what}");
        if (wall is { Purpose: Purpose.Sort, Rules.AnyMoves: true }) yield return new("AnyMovesCards");
        foreach (var kind in new[] { AttachmentKinds.Pictures, AttachmentKinds.Drawings, AttachmentKinds.Formulas, AttachmentKinds.Places, AttachmentKinds.Links, AttachmentKinds.Voices, AttachmentKinds.Films, AttachmentKinds.Files })
        {
            if (wall.Rules.Shows.HasFlag(kind) && !wall.Rules.OnlyGiven) yield return new($"Show{kind}");
        }

        if (wall.Rules.Answers) yield return new(asks ? "OthersAnswer" : wall.Rules.InPairs ? "StudentsAnswerInPairs" : "StudentsAnswer");
        if (wall.Rules is { Answers: true, LeastAnswers: > 0 and var answers }) yield return new("LeastAnswers", Count: answers);
        if (wall.Rules is { Answers: true, MostAnswers: > 0 and var most }) yield return new("MostAnswers", Count: most);
        if (wall.Rules.Judging is { } judging) yield return judging.Kind switch { JudgingKind.Agree => new("StudentsAgree"), JudgingKind.Choose => new("StudentsChoose", Count: judging.Choices), _ => new("StudentsScore", Count: judging.Values) };
        if (wall.Rules is { Judging: not null, LeastJudged: > 0 and var judged }) yield return new("LeastJudged", Count: judged);
        if (wall.Rules is { Judging.Kind: not JudgingKind.Choose, MostJudged: > 0 and var few }) yield return new("MostJudged", Count: few);
        if (wall is { TopicsStand: true, Rules.SaidAlready: true }) yield return new("SaidAlready");
        if (wall is { TopicsStand: true, Rules.BuildsOn: true }) yield return new("BuildsOn", Count: Growth.Most);
        if (!wall.Rules.Stamps.IsEmpty) yield return new("StudentsRespond", Count: wall.Rules.Stamps.Length);
        if (!wall.Rules.Beginnings.IsEmpty) yield return new("Starters", Count: wall.Rules.Beginnings.Length);
        if (!wall.Rules.Positions.IsEmpty) yield return new("StudentsStand", Count: wall.Rules.Positions.Length);
        yield return new(way switch { Way.OneEach => "NotSeeOtherWalls", _ when wall.Rules.OwnFirst => $"Own{what}First", Way.ByGroup => $"SeeGroups{what}", _ => $"SeeAll{what}" });
        if (wall.HidesNames && way != Way.OneEach) yield return new(wall.IsSealed ? "NamesSealed" : "NamesHidden", Count: LetOut.LeastPeople);
        if (wall.IsSealed && way == Way.OneEach) yield return new("SealedAlone", IsWarning: true);
        yield return new(wall.IsSealed && way != Way.OneEach ? "YouSeeSealed" : $"YouSeeAll{what}");
    }

    private static IEnumerable<ReadyLine> Forgotten(HandingPlan plan, LessonTimes times, bool byGroup)
    {
        if (times.DueAt is not null && !times.HandsIn) yield return new("DueButNotHandedIn", IsWarning: true);
        if (plan is { HasList: true, Introduction: not Introduction.NumberAndName }) yield return new("NumberAndName", IsWarning: true);
        if (byGroup && !plan.HasList) yield return new("GroupsWithoutList", IsWarning: true);
    }

    private static IEnumerable<ReadyLine> Forgotten(ActivityContent activity)
    {
        if (activity.Name.IsEmpty) yield return new("NoName", IsWarning: true);
        if (activity.Steps.Length > 1 && activity.Steps.Any(p => p.Name is null or { IsEmpty: true })) yield return new("PartsWithoutName", IsWarning: true, activity.Steps.Count(p => p.Name is null or { IsEmpty: true }));
        var places = FillIns.In(activity);
        if (!places.IsEmpty) yield return new("Unfilled", IsWarning: true, places.Length, string.Join(", ", places));
        if (Languages.Missing(activity) is > 0 and var untranslated) yield return new("Untranslated", IsWarning: true, untranslated);
    }

    private static IEnumerable<ReadyLine> OfWall(WallPlan wall, bool isMasked)
    {
        if (wall.Question.IsEmpty) yield return new("NoQuestion", IsWarning: true);
        if (!Legibility.IsRead(wall.Question)) yield return new("QuestionTooLong", IsWarning: true, Legibility.LettersInLine * Legibility.QuestionLines);
        if (wall.TopicsShown.Where(t => !Legibility.IsHeadingRead(t.Heading)).ToList() is { Count: > 0 } wide) yield return new("HeadingsTooLong", IsWarning: true, wide.Count, Topic: wide[0].Id);
        foreach (var line in OfTopics(wall)) yield return line;
        if (wall.Given.Count(g => g.Text.IsEmpty && g.Shows.IsEmpty) is > 0 and var empty) yield return new("EmptyGiven", IsWarning: true, empty);
        if (wall.Rules.OnlyGiven && wall.Given.IsEmpty) yield return new(wall.FieldShown is null ? "NothingToPlace" : "NothingToLink", IsWarning: true);
        if (wall.FieldShown is { } field && field.Words.Count(w => w.Text.IsEmpty) is > 0 and var silent) yield return new("EmptyLinkWords", IsWarning: true, silent);
        if (wall.FieldShown is { Picture: { } beneath } && string.IsNullOrWhiteSpace(beneath.Description)) yield return new("UndescribedField", IsWarning: true);
        if (wall.LineShown is { Kind: LineKind.Ends or LineKind.Ladder or LineKind.Field } ends && ends.Names.All(n => n.IsEmpty)) yield return new("EndsWithoutName", IsWarning: true);
        if (wall.Rules.Shows.HasFlag(AttachmentKinds.Places) && wall.Map is null) yield return new("PlacesWithoutMap", IsWarning: true);
        if (wall.Rules.Judging?.Scored is { Says.IsEmpty: true }) yield return new("NoCriterion", IsWarning: true);
        if (wall.Rules.Positions.Count(p => p.IsEmpty) is > 0 and var unsaid) yield return new("EmptyStances", IsWarning: true, unsaid);
        if (wall.Map is { } map && string.IsNullOrWhiteSpace(map.Description)) yield return new("UndescribedMap", IsWarning: true);

        // Who is not known to the others may write what they would not sign.
        if (isMasked && !wall.Rules.OwnFirst) yield return new("MaskedAndSeenAtOnce", IsWarning: true);
    }

    private static IEnumerable<ReadyLine> OfTopics(WallPlan wall)
    {
        IEnumerable<ReadyLine?> lines = wall.Purpose switch
        {
            Purpose.Visit =>
            [
                wall.Topics.IsEmpty ? new("NoStations", IsWarning: true) : wall.Rules.Stations > wall.Topics.Length ? new("MoreStations", IsWarning: true) : null,
                Topics("StationsWithoutHeading", t => t.Heading.IsEmpty),
                Topics("EmptyStations", t => t.Shows.IsEmpty && t.Stimulus is null && t.Prompt.IsEmpty),
                Topics("UndescribedStations", t => t.Shows.Any(a => a.Said().Length == 0) || t.Stimulus is { Kind: not StimulusKind.Link, Title.Length: 0 }),
            ],
            Purpose.Sort => [Topics("TopicsWithoutHeading", t => t.Heading.IsEmpty), Topics("TopicsWithoutPrompt", t => t.Prompt.IsEmpty)],
            _ => [],
        };
        return lines.OfType<ReadyLine>();

        ReadyLine? Topics(string key, Func<Topic, bool> lacks)
        {
            var topics = wall.TopicsShown.Where(lacks).ToList();
            return topics.Count == 0 ? null : new(key, IsWarning: true, topics.Count, Topic: topics[0].Id);
        }
    }

    private static IEnumerable<ReadyLine> OfPages(ActivityContent activity, bool hasDirections, Way way)
    {
        if (!hasDirections && activity.Pages.All(p => p.Directions is null or { IsEmpty: true })) yield return new("NoDirections", IsWarning: true);
        var standing = activity.Marks.Where(m => m.Grip != Grip.Key).Select(m => m.Page).ToHashSet();
        if (Pages("EmptyPages", p => !standing.Contains(p.Id) && p.Paper.Kind == PaperKind.Plain && p.Directions is null or { IsEmpty: true }) is { } empty) yield return empty;
        if (Pages("NobodyCanWrite", p => (p.Withheld & EveryTool) == EveryTool) is { } mute) yield return mute;
        if (Marks("UnnamedZones", m => m.Body is ZoneBody { Name.IsEmpty: true }) is { } zones) yield return zones;
        if (Marks("UnnamedFields", m => m.Body is AnswerFieldBody { Name.IsEmpty: true }) is { } fields) yield return fields;
        if (Marks("UndescribedPictures", m => m.Body is PictureBody p && string.IsNullOrWhiteSpace(p.Description) && string.IsNullOrWhiteSpace(p.Text)) is { } pictures) yield return pictures;
        if (Marks("UndescribedRecordings", m => m.Body is ShownBody s && s.Shown.Lasts() > 0 && string.IsNullOrWhiteSpace(s.Shown.Said())) is { } recordings) yield return recordings;

        // What all look at together is read from the last row too.
        var pageSizes = activity.Pages.ToDictionary(p => p.Id, p => p.Size);
        if (way == Way.AllTogether && Marks("TooSmallForAll", m => m is { Grip: Grip.Printed, Words: { Text.Length: > 0 } words } && words.Size * (m.Scale?.Y ?? 1_000) / 1_000.0 < Legibility.TypeOn(pageSizes[m.Page])) is { } small) yield return small;

        // Where a teacher has said for some zones what belongs there, the others were probably forgotten.
        if (activity.Marks.Any(m => m.Body is ZoneBody { Expected.IsNone: false })
            && Marks("ZonesExpectNothing", m => m.Body is ZoneBody { Expected: null or { IsNone: true } }) is { } rest)
        {
            yield return rest;
        }

        ReadyLine? Pages(string key, Func<Page, bool> lacks)
        {
            var pages = activity.Pages.Where(lacks).ToList();
            return pages.Count == 0 ? null : new(key, IsWarning: true, pages.Count, Page: pages[0].Id);
        }

        ReadyLine? Marks(string key, Func<Mark, bool> lacks)
        {
            var marks = activity.Marks.Where(lacks).ToList();
            return marks.Count == 0 ? null : new(key, IsWarning: true, marks.Count, Mark: marks[0].Id);
        }
    }
}
