using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Geometry;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Shapes;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Shapes;
using Yardang.Data.Wire;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Boards;

/// <summary>Bubbles, formulas, stamps, connectors and zones on a board.</summary>
public class ObjectTests
{
    private readonly BoardScript _board = new();

    [Fact]
    public void A_student_puts_up_a_bubble_a_formula_and_a_stamp()
    {
        foreach (var body in ObjectVectors.Bodies().Where(b => b is BubbleBody or FormulaBody or StampBody)) Assert.IsType<Decision.Accepted>(Add(Maya, body));
    }

    [Fact]
    public void Outlines_that_are_more_than_a_drawing_and_stamps_that_do_not_exist_are_refused()
    {
        Assert.Equal(Refusal.OutOfRange, Refused(Add(Maya, new FormulaBody(0, 0, 9, 9, "x", "M0 0<script>"))));
        Assert.Equal(Refusal.OutOfRange, Refused(Add(Maya, new StampBody(0, 0, 9, 9, "no such stamp"))));
        Assert.Equal(Refusal.OutOfRange, Refused(Add(Maya, new FormulaBody(0, 0, 9, 9, "", "M0 0Z"))));
    }

    [Fact]
    public void A_connector_follows_what_it_connects()
    {
        var (pier, deck) = (_board.Draw(Maya), Drawn(Maya, new NoteBody(8_000, 8_000, 2_000, 2_000, Say("deck"))));
        var connector = Drawn(Maya, new ConnectorBody(pier, deck, [0, 0, 1, 1], null));
        var before = PointsOf(connector);
        _board.Do(Maya, new MakeChanges([new Placed(deck, new Place(5_000, 0, 0))]));
        var after = PointsOf(connector);
        Assert.NotEqual(before, after);
        Assert.Equal(ConnectorPath.Between(BoundsOf(pier), BoundsOf(deck)), after);
    }

    [Fact]
    public void A_connector_goes_and_comes_back_with_its_end()
    {
        var (pier, deck) = (_board.Draw(Maya), _board.Draw(Maya));
        var connector = Drawn(Maya, new ConnectorBody(pier, deck, [0, 0, 1, 1], null));
        _board.Do(Maya, new MakeChanges([new Erasing(deck, true)]));
        Assert.DoesNotContain(_board.Board.Sheets.Visible(1), m => m.Id == connector);
        _board.Undo(Maya);
        Assert.Contains(_board.Board.Sheets.Visible(1), m => m.Id == connector);
    }

    [Fact]
    public void A_connector_may_join_marks_of_others_but_needs_two_ends_and_cannot_be_moved_by_itself()
    {
        var (pier, deck) = (_board.Draw(Ben), _board.Draw(Maya));
        var connector = Drawn(Maya, new ConnectorBody(pier, PrintedTitle, [0, 0, 1, 1], null));
        Assert.Equal(Refusal.NotFound, Refused(Add(Maya, new ConnectorBody(deck, 4_711, [0, 0, 1, 1], null))));
        Assert.Equal(Refusal.OutOfRange, Refused(Add(Maya, new ConnectorBody(deck, deck, [0, 0, 1, 1], null))));
        Assert.Equal(Refusal.NotFound, Refused(Add(Maya, new ConnectorBody(deck, connector, [0, 0, 1, 1], null))));
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, new MakeChanges([new Placed(connector, new Place(9, 9, 0))])));
    }

    [Fact]
    public void Zones_are_made_in_drafts_only()
    {
        var zone = ObjectVectors.Zone(ShapeKind.Ellipse, ZoneRule.Centre, 0, 0, 900, 900);
        Assert.Equal(Refusal.NotAllowed, Refused(Add(Teacher, zone, Grip.Printed)));
        Assert.Equal(Refusal.NotAllowed, Refused(Add(Maya, zone)));
    }

    [Fact]
    public void What_is_expected_of_a_zone_is_never_sent_to_a_student()
    {
        var zone = ObjectVectors.Zone(ShapeKind.Ellipse, ZoneRule.Centre, 0, 0, 900, 900) with { Expected = new Expectation([LooseLabel], ["keystone answer"], 1, 2) };
        var board = new Board(Content() with { Marks = Content().Marks.Add(MarkOf(99, zone, order: 50)) });

        Assert.Equal(zone.Expected.Answers, ExpectedBy(Actor.Owner)!.Answers);
        Assert.Null(ExpectedBy(Maya));

        Expectation? ExpectedBy(Actor reader)
        {
            var copy = new Board(Content());
            Assert.True(SnapshotCodec.Restore(SnapshotCodec.Encode(board, reader), copy));
            return ((ZoneBody)copy.Sheets.Marks[99].Body).Expected;
        }
    }

    [Fact]
    public void Every_kind_of_mark_goes_into_a_file_and_comes_back()
    {
        var marks = ObjectVectors.Bodies().Select((body, i) => MarkOf(i + 1, body)).ToArray();
        var json = ActivityJson.Write(Content() with { Marks = [.. marks] });
        Assert.Equal(json, ActivityJson.Write(ActivityJson.Read(json)));
        Assert.Equal(marks.Length, ActivityJson.Read(json).Marks.Length);
    }

    [Fact]
    public void Places_to_fill_in_are_found_in_names_directions_words_and_zones()
    {
        var content = Content() with
        {
            Name = Texts.In("en", "What do we know of {topic}?"),
            Directions = Texts.In("en", "Read about {Topic} and {second topic}."),
            Marks = [MarkOf(98, new TextBody(0, 0, 9, 9, Say("{first word} {}"))), MarkOf(99, ObjectVectors.Zone(ShapeKind.Ellipse, ZoneRule.Centre, 0, 0, 9, 9) with { Name = Texts.In("en", "{side}") })],
        };
        Assert.Equal(["topic", "second topic", "first word", "side"], FillIns.In(content));
    }

    private static Mark MarkOf(long id, MarkBody body, double order = 1) => new(id, 1, 1, ByStaff: true, Grip.Printed, order, body, new Style(0, 0, 1), Place.AsDrawn, [], Erased: false);

    private static Refusal Refused(Decision decision) => Assert.IsType<Decision.Refused>(decision).Reason;

    private Decision Add(Actor actor, MarkBody body, Grip grip = Grip.Own) => _board.Do(actor, new AddMark(_board.NextId(actor), 1, grip, body, new Style(0, 60)));

    private long Drawn(Actor actor, MarkBody body)
    {
        var id = _board.NextId(actor);
        Assert.IsType<Decision.Accepted>(Add(actor, body));
        return id;
    }

    private int[] PointsOf(long connector) => [.. ((ConnectorBody)_board.Board.Sheets.Visible(1).Single(m => m.Id == connector).Body).Points];

    private Box BoundsOf(long mark) => MarkGeometry.BoundsOf(_board.Board.Sheets.Marks[mark]);
}
