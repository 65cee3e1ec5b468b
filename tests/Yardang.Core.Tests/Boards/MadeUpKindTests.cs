using Yardang.Core.Editing;
using Yardang.Core.Geometry;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Shapes;
using Yardang.Core.Styles;
using Yardang.Core.Wire;
using Yardang.WireMaker;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Boards;

/// <summary>
/// A kind of mark is one record: what the core knows of kinds is asked of it, nowhere listed. Here a scale bar such as maps have, which no rule has heard of.
/// </summary>
public class MadeUpKindTests
{
    private readonly BoardScript _board = new();

    [Fact]
    public void It_is_put_on_a_board_moved_and_taken_back()
    {
        var bar = Add(new ScaleBarBody(1_000, 2_000, 5_000, "50 m"));
        _board.Do(Maya, new MakeChanges([new Placed(bar, new Place(300, 0, 9_000))]));
        Assert.Equal(new Place(300, 0, 9_000), MarkOf(bar).Place);
        _board.Undo(Maya);
        Assert.Equal(Place.AsDrawn, MarkOf(bar).Place);
    }

    [Fact]
    public void It_is_measured_and_counts_in_a_zone()
    {
        var bar = MarkOf(Add(new ScaleBarBody(1_000, 2_000, 5_000, "50 m")));
        Assert.Equal(new Box(1_000, 2_000, 5_000, 400), MarkGeometry.BoundsOf(bar));
        var bank = bar with { Id = 99, Body = new ZoneBody(ShapeKind.Polygon, [0, 0, 9_000, 0, 9_000, 9_000, 0, 9_000], Texts.In("en", "Bank")) };
        Assert.Equal([bank], Zoning.ZonesOf(bar, [bank]));
    }

    [Fact]
    public void Its_ranges_are_kept_and_its_words_may_be_written_anew()
    {
        Assert.Equal(Refusal.OutOfRange, _board.RefusalOf(Maya, new AddMark(_board.NextId(Maya), 1, Grip.Own, new ScaleBarBody(1_000, 2_000, -1, "50 m"), new Style(0, 0))));
        var bar = Add(new ScaleBarBody(1_000, 2_000, 5_000, "50 m"));
        _board.Do(Maya, new MakeChanges([new Wording(bar, new Words("40 m", "en", ["40 m"], 400), 4_000, 400)]));
        Assert.Equal("40 m", MarkOf(bar).Words!.Text);
        Assert.Equal(["40 m"], MarkOf(bar).Body.Said());
    }

    [Fact]
    public void A_page_can_withhold_the_tool_that_makes_it()
    {
        var page = Content().Pages[0] with { Withheld = ToolSet.Stamp };
        var board = new Core.Boards.Board(Content() with { Pages = [page] });
        board.Apply(new Envelope(1, 0, Maya, 0, 0, 0, Audience.Everyone, new ClientAdmitted(1)));
        var decision = board.Decide(new Submission(1, 1, 0, Ids.Of(1, 1), new AddMark(Ids.Of(1, 1), page.Id, Grip.Own, new ScaleBarBody(0, 0, 900, ""), new Style(0, 0))), Maya, Situation.Open);
        Assert.Equal(Refusal.Withheld, Assert.IsType<Decision.Refused>(decision).Reason);
    }

    [Fact]
    public void It_is_on_the_wire_without_another_word()
    {
        var declarations = Declarations.Of(typeof(ScaleBarBody));
        Assert.Contains("90 => ReadScaleBarBody(ref r, fields),", WireFiles.CSharp(declarations));
        var browser = WireFiles.TypeScript(declarations);
        Assert.Contains("  | ScaleBarBody;\n", browser["forms"]);
        Assert.Contains("  return [90, v.x, v.y, v.length, v.caption];\n", browser["pages-codec"]);
    }

    private Mark MarkOf(long id) => _board.Board.Sheets.Marks[id];

    private long Add(MarkBody body)
    {
        var id = _board.NextId(Maya);
        Assert.IsType<Decision.Accepted>(_board.Do(Maya, new AddMark(id, 1, Grip.Own, body, new Style(0, 0))));
        return id;
    }

    [Kind(90)]
    private sealed record ScaleBarBody(int X, int Y, int Length, string Caption) : MarkBody
    {
        private const int Height = 400;

        public override Box Box() => new(X, Y, Length, Height);

        public override ToolSet Tool(Looks looks) => ToolSet.Stamp;

        public override bool IsValid() => Length is > 0 and <= Limits.Reach && Caption.Length <= Limits.NameLength;

        public override int Weight() => Caption.Length;

        public override IEnumerable<string> Said() => [Caption];

        public override Words? Written() => new(Caption, "en", [Caption], Height);

        public override MarkBody With(Words words, int width, int height) => this with { Length = width, Caption = words.Text };
    }
}
