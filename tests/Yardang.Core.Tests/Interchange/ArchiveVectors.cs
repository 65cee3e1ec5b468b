using System.Text.Json;
using System.Text.Json.Nodes;
using Yardang.Core.Attachments;
using Yardang.Core.Activities;
using Yardang.Core.Cupboard;
using Yardang.Core.Ink;
using Yardang.Core.Interchange;
using Yardang.Core.Judges;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Shapes;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Walls;

namespace Yardang.Core.Tests.Interchange;

/// <summary>What archives hold, to be held against docs/archive.schema.json: every kind of page and mark with everything set, work, and the templates.</summary>
internal static class ArchiveVectors
{
    private static readonly string s_media = new('a', 64);

    public static IEnumerable<object> All()
    {
        var activity = new ActivityContent(Texts.In("en", "Triangles in trusses"), Texts.None, [.. Pages()], [.. Marks()], LengthUnit.Inch);
        yield return new { name = "everything", file = JsonNode.Parse(ActivityJson.Write(activity)) };
        var wall = ActivityContent.BlankWall("en", "What we know about bridges") with { Parts = [new Part(1, PartKind.Wall, WallScript.Plan(new(1, 5, Shows: Attachment.AnyKind, Judging: new(JudgingKind.Score, 2, new(Texts.In("en", "It says why."), 5, Wanted.Must, Wanted.May)), Responses: [new("idea", Texts.In("en", "New to me")), new("question", Texts.None)])) with { Map = Shown.Map })] };
        yield return new { name = "a wall", file = JsonNode.Parse(ActivityJson.Write(wall)) };
        var work = new ArchivedWork("Triangles in trusses", "7 Amber", DateTimeOffset.UnixEpoch, Way.AllTogether, [new ArchivedPerson(2, "Maya")], [new ArchivedBoard([2], activity.Pages, activity.Marks)]);
        yield return new { name = "work", file = JsonNode.Parse(WorkJson.Write(work)) };
        var parts = activity with
        {
            Pages = [.. activity.Pages, activity.Pages[0] with { Id = 900, Part = 3 }],
            Parts = [Part.Pages with { Name = Texts.In("en", "Think alone") }, new Part(2, PartKind.Wall, WallScript.Plan(), Texts.In("en", "Best ideas"), Way.AllTogether), new Part(3, PartKind.Pages, Way: Way.ByGroup)],
        };
        var phased = parts with { Phases = [new(PhaseKind.Think, Texts.In("en", "Each on your own").With("es", "Cada uno solo"), 3, true, 1, StudentActs.Answer | StudentActs.Judge), new(PhaseKind.Talk, Texts.None, 0, false, 0, StudentActs.None), new(PhaseKind.Work, Texts.None, 600, false, 2, StudentActs.All)] };
        var aloud = work with { Boards = [work.Boards[0] with { Marks = [.. work.Boards[0].Marks.Where(m => m.Body is NoteBody).Select(m => m with { Author = 2, ByStaff = false, Grip = Grip.Own, PutBy = 1 })] }] };
        yield return new { name = "work that was said aloud", file = JsonNode.Parse(WorkJson.Write(aloud)) };
        yield return new { name = "phases", file = JsonNode.Parse(ActivityJson.Write(phased)) };
        yield return new { name = "several parts", file = JsonNode.Parse(ActivityJson.Write(parts)) };
        yield return new { name = "work of a third part", file = JsonNode.Parse(WorkJson.Write(work with { Boards = [work.Boards[0] with { Part = 3 }] })) };
        var plan = WallScript.Plan(new(1, 5, Answers: true, MostAnswers: 3, MostJudged: 4, Starters: [Texts.In("en", "I think that")]));
        plan = plan with { Topics = [plan.Topics[0] with { Only = [2] }, .. plan.Topics.Skip(1)] };
        Card[] cards = [new(1L << 32, 11, 12, 2, ByStaff: false, 1, "en", "Triangles", 1_000, Responses: [new("idea", [3, 4], ByStaff: false), new("look", [], ByStaff: true)]), new((1L << 32) + 1, 0, 0, 1, ByStaff: true, 1.5, "", "And the ground?", 2_000, Answers: [new(5, 0, 2, ByStaff: false, "en", "It pushes back", 3_000), new(6, 5, 1, ByStaff: true, "", "How?", 4_000, Shown: Shown.Spoken)]), new((1L << 32) + 2, 12, 12, 2, ByStaff: false, 1, "en", "", 5_000, Attachments: Shown.Each), new((1L << 32) + 3, 11, 11, 2, ByStaff: false, 2, "en", "Triangles hold", 6_000, Joined: 1L << 32, Attachments: [Shown.Link, Shown.Voice]), new((1L << 32) + 4, 11, 11, 2, ByStaff: false, 3, "en", "So trusses are light", 7_000, From: [1L << 32, (1L << 32) + 3]), new((1L << 32) + 5, 12, 0, 1, ByStaff: true, 4, "en", "Arches push", 8_000, Poured: 4_111, Colour: 12, Attachments: [Shown.Film, Shown.File])];
        var wallWork = work with { Boards = [new ArchivedBoard([2], [], [], Wall: new(plan, [.. cards], [new CardResult(1, 1L << 32, [3, 0, 1]), new CardResult(2, 1L << 32, [4]), new CardResult(3, 1L << 32, [0, 2, 1], 2.25, [new(3, "It says why.", "arches"), new(2, "", "")])]))] };
        var ordered = plan with { Purpose = Purpose.Order, Line = new(LineKind.Years, Texts.In("en", "long ago"), Texts.None, 1700, 2000, Together: true), GivenCards = [new(3, 11, Texts.In("en", "An iron bridge"), [Shown.Picture])], Rules = new(OnlyGiven: true) };
        yield return new { name = "work on a wall to order", file = JsonNode.Parse(WorkJson.Write(work with { Boards = [new ArchivedBoard([2], [], [], Wall: new(ordered, [cards[0] with { At = new(LineKind.Years, 1779), PutUpBy = 1 }], Order: new(LineKind.Years, 3, [new(cards[0].Id, 3, 1780, 1779, 1800.5)], 2, 3)))] })) };
        var stands = plan with { Rules = plan.Rules with { Stances = [Texts.In("en", "For"), Texts.In("en", "Against")] } };
        yield return new { name = "work on a wall where students stand somewhere", file = JsonNode.Parse(WorkJson.Write(work with { Boards = [new ArchivedBoard([2], [], [], Wall: new(stands, [cards[0]], Shifts: new([2, 0, 1, 3], [new(cards[0].Id, 1)])))] })) };
        var talkedAbout = work.Boards[0] with { Said = [new(work.Boards[0].Marks[0].Id, [new(7, 0, 2, ByStaff: false, "en", "Where does it push?", 1_000), new(8, 7, 1, ByStaff: true, "en", "", 2_000, Aloud: true), new(9, 7, 1, ByStaff: true, "en", "", 3_000, Shown: Shown.Spoken)])], Results = [new(1, work.Boards[0].Marks[0].Id, [3])] };
        yield return new { name = "work on a board that was talked about", file = JsonNode.Parse(WorkJson.Write(work with { Boards = [talkedAbout] })) };
        yield return new { name = "work on a wall", file = JsonNode.Parse(WorkJson.Write(wallWork)) };
        foreach (var template in Templates.All) yield return new { name = template.Key, file = JsonNode.Parse(ActivityJson.Write(template.Content("en", text => text))) };
    }

    private static IEnumerable<Page> Pages() => Enum.GetValues<PaperKind>().Select((kind, i) => new Page(
        i + 1, Texts.In("en", "Measure"), PageSize.A4Wide, new Paper(kind, 500, new Axis(0, 10_000, 500), new Axis(0, 9_000, 500), 3, 4, kind == PaperKind.Picture ? s_media : null),
        Texts.In("ar", "ارسم جسرا"), (ToolSet)255, new Stimulus(StimulusKind.Link, "https://ostlebrook.example/bridge", "The old bridge"), [Texts.In("en", "I think it holds because").With("es", "Creo que aguanta porque")], Shows: i % 2 == 0 ? new PageShows(PageShows.OnPages, 90) : null));

    private static IEnumerable<Mark> Marks()
    {
        var words = new Words("Stiff", "en", ["Stiff"], 700, [new Translation("ar", "صلب", ["صلب"], 650)]);
        MarkBody[] written = [new InkBody([new InkPoint(0, 0, 128, 0), new InkPoint(50, 60, 130, 12)]), new TextBody(0, 0, 900, 700, words), new NoteBody(0, 0, 900, 700, words), new ShapeBody(ShapeKind.Arc, [0, 0, 100, 100, 200, 0])];
        return written.Concat(ObjectVectors.Bodies()).Select((body, i) => new Mark(
            i + 1, 1, 1, ByStaff: true, Grip.Loose, i, body, new Style(1, 60, 2, (Looks)4_095), new Place(1, -2, 35_999), [10, 20], Erased: false, new Scale(500, 2_000), Pinned: true, Tie: 9));
    }
}
