using System.Collections.Immutable;
using System.IO.Compression;
using System.Text;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Cupboard;
using Yardang.Core.Drafts;
using Yardang.Core.Editing;
using Yardang.Core.Interchange;
using Yardang.Core.LateChanges;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Walls;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Tests.Walls;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Interchange;

/// <summary>One validation for content in one piece, whoever it comes from.</summary>
public class ContentRulesTests
{
    private static readonly ActivityContent s_good = Content();

    /// <summary>What the rules for single commands forbid, by name.</summary>
    public static TheoryData<string> Forbidden() => [.. Hostile().Select(h => h.Name)];

    [Fact]
    public void Every_page_is_of_a_part_of_pages_and_every_such_part_has_a_page()
    {
        var wall = new Part(2, PartKind.Wall, WallPlan.Blank);
        ActivityContent With(ImmutableArray<Part> parts, params int?[] pages) => s_good with { Marks = [], Parts = parts, Pages = [.. pages.Select((p, i) => s_good.Pages[0] with { Id = i + 1, Part = p })] };
        Assert.Null(ContentRules.FaultIn(With([Part.Pages, wall, Part.Pages with { Number = 3 }], null, 3)));
        Assert.Equal("Page 2 is of a part that is not there, or of a wall.", ContentRules.FaultIn(With([Part.Pages, wall], null, 2))?.Sentence);
        Assert.Equal("Page 2 is of a part that is not there, or of a wall.", ContentRules.FaultIn(With([Part.Pages, wall], null, 8))?.Sentence);
        Assert.Equal("Part 3 has no page.", ContentRules.FaultIn(With([Part.Pages, wall, Part.Pages with { Number = 3 }], null, null))?.Sentence);
        Assert.NotNull(ContentRules.FaultIn(With([Part.Pages, Part.Pages], [null])));
        Assert.NotNull(ContentRules.FaultIn(With([Part.Pages], 1)));
        Assert.NotNull(ContentRules.FaultIn(With([Part.Pages], 100)));
        Assert.NotNull(ContentRules.FaultIn(With([wall], [null])));
    }

    [Fact]
    public void The_work_of_an_archive_is_of_the_parts_of_its_activity()
    {
        var activity = s_good with { Marks = [], Parts = [Part.Pages, new Part(2, PartKind.Wall, WallPlan.Blank)] };
        ArchivedBoard board = new([2], s_good.Pages, []), wall = new([2], [], [], Wall: new(WallPlan.Blank, []), Part: 2);
        byte[] Of(params ArchivedBoard[] boards) => ActivityArchive.Write(activity, _ => null, new("x", "", DateTimeOffset.UnixEpoch, Way.OneEach, [new(2, "Maya")], [.. boards]));
        var back = ActivityArchive.Read(Of(board, wall));
        Assert.True(ActivityJson.AreSame(activity, back.Activity));
        Assert.Equal([1, 2], back.Work!.Boards.Select(b => b.OfPart));
        foreach (var wrong in new[] { board with { Part = 2 }, board with { Part = 7 }, wall with { Part = null } }) Assert.Throws<FormatException>(() => ActivityArchive.Read(Of(wrong)));
    }

    [Theory]
    [MemberData(nameof(Forbidden))]
    public void What_the_rules_forbid_comes_in_by_no_way(string name)
    {
        var content = Hostile().Single(h => h.Name == name).Content;
        Assert.NotNull(ContentRules.FaultIn(content));

        // A draft, an earlier version, work brought in, a late change.
        Assert.Equal(Refusal.OutOfRange, ReasonOf(new Draft(), new StartDraft(content)));
        Assert.Equal(Refusal.OutOfRange, ReasonOf(new Draft(), new ReplaceDraft(content)));
        Assert.Equal(Refusal.OutOfRange, ReasonOf(new Board(s_good), new BringWork(content)));
        if (!content.Pages.IsEmpty && content.Pages.Length <= Limits.Pages && content.Marks.Length <= Limits.Marks)
        {
            Assert.Equal(Refusal.OutOfRange, ReasonOf(new Board(s_good), new AdoptLateChange(1, new(content, [1]), [s_good]), 1));
        }

        // An archive, and work in an archive.
        Assert.Throws<FormatException>(() => ActivityArchive.Read(Zip((ActivityArchive.ActivityEntry, ActivityJson.Write(content)))));
        var work = new ArchivedWork("x", "", DateTimeOffset.UnixEpoch, Way.OneEach, [new(2, "Maya")], [new([2], content.Pages, content.Marks)]);
        if (name is not ("long name" or "no page" or "unknown unit") && content.Parts is null) Assert.NotNull(WorkRules.FaultIn(work));
    }

    [Fact]
    public void Every_template_and_organizer_of_the_program_is_allowed()
    {
        foreach (var template in Templates.All) Assert.Null(ContentRules.FaultIn(template.Content("en", text => text)));
    }

    [Fact]
    public void A_wall_activity_is_content_like_any_other_in_drafts_frozen_and_in_files()
    {
        var wall = ActivityContent.BlankWall("en", "What we know about bridges") with { Parts = [new Part(1, PartKind.Wall, WallScript.Plan())] };
        Assert.Null(ContentRules.FaultIn(wall));
        Assert.True(ActivityJson.AreSame(wall, ActivityJson.Read(ActivityJson.Write(wall))));
        Assert.IsType<Decision.Accepted>(new Draft().Decide(Submission.ByProgram(new StartDraft(wall)), Actor.Program, Situation.Open));
        Assert.True(ActivityJson.AreSame(wall, ActivityArchive.Read(Zip((ActivityArchive.ActivityEntry, ActivityJson.Write(wall)))).Activity));
    }

    [Fact]
    public void Work_on_boards_does_not_come_with_a_wall_nor_the_other_way_round()
    {
        var wall = ActivityContent.BlankWall("en", "What we know about bridges");
        ArchivedWork Of(ArchivedBoard board) => new("x", "", DateTimeOffset.UnixEpoch, Way.OneEach, [new ArchivedPerson(2, "Maya")], [board]);
        var onBoard = Of(new([2], s_good.Pages, s_good.Marks));
        var onWall = Of(new([2], [], [], Wall: new(WallPlan.Blank, [])));
        FormatException Refused(ActivityContent activity, ArchivedWork work) => Assert.Throws<FormatException>(() => ActivityArchive.Read(ActivityArchive.Write(activity, _ => null, work)));
        Assert.Contains("not of this activity", Refused(wall, onBoard).Message, StringComparison.Ordinal);
        Assert.Contains("not of this activity", Refused(s_good, onWall).Message, StringComparison.Ordinal);
        Assert.NotNull(ActivityArchive.Read(ActivityArchive.Write(wall, _ => null, onWall)).Work);
    }

    [Fact]
    public void A_lesson_of_an_archive_holds_no_more_than_a_lesson_can()
    {
        ImmutableArray<ArchivedPerson> Many(int count) => [.. Enumerable.Range(2, count).Select(n => new ArchivedPerson(n, "Maya"))];
        ArchivedWork With(ImmutableArray<ArchivedPerson> people, params ArchivedBoard[] boards) => new("x", "", DateTimeOffset.UnixEpoch, Way.OneEach, people, [.. boards]);
        var board = new ArchivedBoard([2], s_good.Pages, s_good.Marks);
        Assert.Null(WorkRules.FaultIn(With(Many(2), board)));
        Assert.NotNull(WorkRules.FaultIn(With(Many(5_000))));
        Assert.NotNull(WorkRules.FaultIn(With([new(2, "Maya"), new(2, "Ben")])));
        Assert.NotNull(WorkRules.FaultIn(With([new(1, "Maya")])));
        Assert.NotNull(WorkRules.FaultIn(With(Many(1), board with { People = [9] })));
        Assert.NotNull(WorkRules.FaultIn(With(Many(1), board with { Group = new string('x', 41) })));
        Assert.NotNull(WorkRules.FaultIn(With(Many(1), [.. Enumerable.Repeat(board, 2_001)])));
    }

    [Theory]
    [InlineData("""{"format":1,"activity":{"name":null}}""")]
    [InlineData("""{"format":1,"activity":{"name":{},"directions":{},"pages":[{"id":1,"name":{},"size":{"width":29700,"height":21000},"paper":{"kind":"plain"},"withheld":"none"}],"marks":[{"id":9,"page":1,"author":1,"byStaff":true,"grip":"printed","order":1,"body":{"x":1},"style":{"colour":0,"width":0},"place":{"x":0,"y":0,"turn":0},"cuts":[],"erased":false}]}}""")]
    [InlineData("""{"format":1,"activity":{"name":{},"directions":{},"pages":[{"id":1,"name":{},"size":{"width":29700,"height":21000},"paper":{"kind":"plain"},"withheld":"none"}],"marks":[{"id":9,"page":1,"author":1,"byStaff":true,"grip":"printed","order":1,"body":{"kind":"shape","shape":"line","points":null},"style":{"colour":0,"width":0},"place":{"x":0,"y":0,"turn":0},"cuts":null,"erased":false}]}}""")]
    [InlineData("[]")]
    [InlineData("")]
    public void What_is_no_activity_is_refused_in_words(string json) =>
        Assert.Throws<FormatException>(() => ActivityArchive.Read(Zip((ActivityArchive.ActivityEntry, Encoding.UTF8.GetBytes(json)))));

    [Fact]
    public void Two_files_of_one_name_and_files_that_grow_when_they_are_opened_are_refused()
    {
        var activity = (ActivityArchive.ActivityEntry, ActivityJson.Write(s_good));
        Assert.Throws<FormatException>(() => ActivityArchive.Read(Zip(activity, ("media/a", [1]), ("media/x/a", [2]))));
        Assert.Throws<FormatException>(() => ActivityArchive.Read(Zip(activity, ("media/a", new byte[ActivityArchive.MaxBytes + 1]))));
        Assert.Throws<FormatException>(() => ActivityArchive.Read(Zip((ActivityArchive.ActivityEntry, new byte[ActivityArchive.MaxBytes + 1]))));
        Assert.Throws<FormatException>(() => ActivityArchive.Read(Zip([activity, .. Enumerable.Range(0, ActivityArchive.MostEntries).Select(i => ($"x{i}", Array.Empty<byte>()))])));
    }

    [Fact]
    public void Ink_nested_deeply_is_refused_at_once()
    {
        var nested = string.Concat(Enumerable.Repeat("<a>", 50_000)) + string.Concat(Enumerable.Repeat("</a>", 50_000));
        using var file = new MemoryStream(Encoding.UTF8.GetBytes($"<ink xmlns=\"http://www.w3.org/2003/InkML\">{nested}</ink>"));
        Assert.Throws<FormatException>(() => InkMl.Read(file));
    }

    [Fact]
    public void Looks_that_nobody_knows_are_refused_from_anybody()
    {
        var board = new BoardScript();
        foreach (var actor in new[] { Teacher, Maya })
        {
            Assert.Equal(Refusal.OutOfRange, board.RefusalOf(actor, new AddMark(board.NextId(actor), 1, Grip.Own, Line(0, 0, 9, 9), new Style(0, 60, 0, (Looks)4_096))));
        }
    }

    private static IEnumerable<(string Name, ActivityContent Content)> Hostile()
    {
        var page = s_good.Pages[0];
        var mark = s_good.Marks[0];
        ActivityContent Paper(Paper paper) => s_good with { Pages = [page with { Paper = paper }] };
        ActivityContent Marked(params Mark[] marks) => s_good with { Marks = [.. marks] };
        Mark Of(MarkBody body, Style? style = null) => mark with { Body = body, Style = style ?? new Style(0, 60) };
        yield return ("no page", s_good with { Pages = [] });
        yield return ("no part", s_good with { Parts = [] });
        yield return ("a part of nothing", s_good with { Parts = [new Part(1, (PartKind)9)] });
        yield return ("a part without a number", s_good with { Parts = [new Part(0, PartKind.Pages)] });
        yield return ("a wall without a plan", s_good with { Parts = [new Part(1, PartKind.Wall)] });
        yield return ("pages with a plan", s_good with { Parts = [new Part(1, PartKind.Pages, WallPlan.Blank)] });
        yield return ("a wall that cannot be", s_good with { Parts = [new Part(1, PartKind.Wall, WallPlan.Blank with { Topics = [new Topic(1, Texts.None, Texts.None, 99)] })] });
        yield return ("an endless axis", Paper(new(PaperKind.CoordinatePlane, Across: new Axis(0, 2_000_000_000, 1))));
        yield return ("a table of 10^10 cells", Paper(new(PaperKind.Table, Columns: 100_000, Rows: 100_000)));
        yield return ("a page of 2^31", s_good with { Pages = [page with { Size = new PageSize(int.MaxValue, int.MaxValue) }] });
        yield return ("5,000 pages", s_good with { Pages = [.. Enumerable.Range(1, 5_000).Select(n => page with { Id = n })] });
        yield return ("45,000 marks", Marked([.. Enumerable.Range(1, 45_000).Select(n => mark with { Id = n })]));
        yield return ("two pages of one number", s_good with { Pages = [page, page] });
        yield return ("two marks of one number", Marked(mark, mark));
        yield return ("a mark on no page", Marked(mark with { Page = 77 }));
        yield return ("an arc of two points", Marked(Of(new ShapeBody(ShapeKind.Arc, [0, 0, 9, 9]))));
        yield return ("a connector to nothing", Marked(mark, Of(new ConnectorBody(mark.Id, 77, [0, 0, 1, 1])) with { Id = 5 }));
        yield return ("a zone without filling", Marked(Of(new ZoneBody(ShapeKind.Ellipse, [0, 0, 9, 9], Texts.None))));
        yield return ("a zone that is loose", Marked(Of(new ZoneBody(ShapeKind.Ellipse, [0, 0, 9, 9], Texts.None), new Style(0, 0, 1)) with { Grip = Grip.Loose }));
        yield return ("an answer field that is loose", Marked(Of(new AnswerFieldBody(0, 0, 900, 900, Texts.None)) with { Grip = Grip.Loose }));
        yield return ("an answer field that is turned", Marked(Of(new AnswerFieldBody(0, 0, 900, 900, Texts.None)) with { Grip = Grip.Printed, Place = new Place(0, 0, 100) }));
        yield return ("an answer to no field", Marked(mark, Of(new FieldAnswerBody(mark.Id, 0, 0, 900, 900, Say("deck"))) with { Id = 5 }));
        yield return ("ink without points", Marked(Of(new InkBody([]))));
        yield return ("an unknown stamp", Marked(Of(new StampBody(0, 0, 9, 9, "nothing"))));
        yield return ("an unknown look", Marked(mark with { Style = new Style(0, 60, 0, (Looks)(1 << 20)) }));
        yield return ("an order that is no number", Marked(mark with { Order = double.NaN }) is var c ? c with { Marks = [mark with { Order = 1e300 }] } : c);
        yield return ("words without end", Marked(Of(new TextBody(0, 0, 9, 9, Say(new string('x', 5_000))))));
        yield return ("an outline that is a script", Marked(Of(new FormulaBody(0, 0, 9, 9, "x", "<script>"))));
        yield return ("long name", s_good with { Name = Texts.In("en", new string('x', 121)) });
        yield return ("unknown unit", s_good with { Unit = (LengthUnit)9 });
    }

    private static Refusal ReasonOf(Room room, Command command, long gesture = 0) =>
        Assert.IsType<Decision.Refused>(room.Decide(new Submission(0, 0, 0, gesture, command), Actor.Program, Situation.Open)).Reason;

    private static byte[] Zip(params (string Name, byte[] Bytes)[] entries)
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, content) in entries)
            {
                using var entry = zip.CreateEntry(name).Open();
                entry.Write(content);
            }
        }

        return bytes.ToArray();
    }
}
