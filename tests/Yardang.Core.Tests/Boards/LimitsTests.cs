using System.Collections.Immutable;
using System.Globalization;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Attachments;
using Yardang.Core.Activities;
using Yardang.Core.Editing;
using Yardang.Core.Ink;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Boards;

/// <summary>What is stated as a limit is one: exactly so much is allowed, and one more is not.</summary>
public class LimitsTests
{
    private const int Far = Limits.Reach;
    private static readonly string s_media = new('a', 64);
    private static readonly Style s_style = new(0, 60, 1);

    [Theory]
    [MemberData(nameof(Edges))]
    public void Exactly_at_its_limit_a_mark_is_allowed_and_one_beyond_it_is_not(string limit, bool isWithin)
    {
        var (_, at, beyond) = AllEdges().Single(e => e.Limit == limit);
        Assert.Equal(isWithin, Allows(isWithin ? at : beyond));
    }

    public static TheoryData<string, bool> Edges()
    {
        var data = new TheoryData<string, bool>();
        foreach (var (limit, _, _) in AllEdges())
        {
            data.Add(limit, true);
            data.Add(limit, false);
        }

        return data;
    }

    [Fact]
    public void A_page_has_its_limits_too()
    {
        var page = Content().Pages[0];
        bool Has(Page changed) => ContentRules.FaultIn(Content() with { Pages = [changed] }) is null;
        ImmutableArray<Texts> Starters(int count, int letters) => [.. Enumerable.Range(0, count).Select(_ => Texts.In("en", Letters(letters)))];
        Assert.True(Has(page with { Name = Texts.In("en", Letters(Limits.NameLength)), Directions = Texts.In("en", Letters(Limits.DirectionsLength)), Starters = Starters(20, Limits.NameLength) }));
        Assert.False(Has(page with { Name = Texts.In("en", Letters(Limits.NameLength + 1)) }));
        Assert.False(Has(page with { Directions = Texts.In("en", Letters(Limits.DirectionsLength + 1)) }));
        Assert.False(Has(page with { Starters = Starters(21, 5) }));
        Assert.False(Has(page with { Starters = Starters(1, Limits.NameLength + 1) }));
        Assert.False(Has(page with { Starters = [Texts.None] }));
        Assert.False(Has(page with { Name = InLanguages(41) }));
        Assert.True(Has(page with { Name = InLanguages(40) }));
        Assert.False(Has(page with { Name = Texts.In(new string('x', 36), "deck") }));
        Assert.False(Has(page with { Stimulus = new Stimulus(StimulusKind.Link, "javascript:alert(1)", "") }));
        Assert.False(Has(page with { Size = new PageSize(4_999, 20_000) }));
        Assert.True(Has(page with { Shows = new PageShows(PageShows.OnPages, 180) }));
        Assert.True(Has(page with { Shows = new PageShows(AttachmentKinds.Voices, 10) }));
        Assert.False(Has(page with { Shows = new PageShows(AttachmentKinds.Voices, 181) }));
        Assert.False(Has(page with { Shows = new PageShows(AttachmentKinds.Voices, 9) }));
        Assert.False(Has(page with { Shows = new PageShows(AttachmentKinds.Pictures, 60) }));
        Assert.False(Has(page with { Shows = new PageShows((AttachmentKinds)1_024, 60) }));
    }

    [Fact]
    public void Who_wastes_client_numbers_runs_out_of_them_and_a_teacher_has_more()
    {
        foreach (var (actor, most) in new[] { (Maya, Limits.ClientsOfStudent), (Teacher, Limits.ClientsOfStaff) })
        {
            var room = new Core.Boards.Board(Content());
            var admitted = 0;
            while (room.Decide(new Submission(0, 0, 0, 0, new AdmitClient()), actor, Situation.Open) is Decision.Accepted accepted)
            {
                room.Apply(new Envelope(room.Number + 1, 0, actor, 0, 0, 0, accepted.Audience, accepted.Event));
                admitted++;
            }

            Assert.Equal(most, admitted);
            Assert.IsType<Decision.Accepted>(room.Decide(new Submission(0, 0, 0, 0, new AdmitClient()), Ben, Situation.Open));
        }
    }

    [Fact]
    public void Without_a_client_number_only_the_program_does_anything()
    {
        var board = new BoardScript();
        foreach (var actor in new[] { Maya, Teacher })
        {
            var refused = Assert.IsType<Decision.Refused>(board.Board.Decide(Submission.ByProgram(new MakeChanges([new Erasing(1, true)])), actor, Situation.Open));
            Assert.Equal(Refusal.UnknownClient, refused.Reason);
        }
    }

    [Fact]
    public void The_last_command_again_is_known_whatever_it_says_now()
    {
        var board = new BoardScript();
        board.Draw(Maya);
        var (client, last) = board.Board.Clients.Where(c => c.Value.Actor == Maya.Number).Select(c => (c.Key, c.Value.HighWater)).Single();
        Assert.IsType<Decision.Known>(board.Board.Decide(new Submission(client, last, last - 1, 0, new UndoGesture(1)), Maya, Situation.Open));
    }

    [Fact]
    public void Chance_is_another_in_every_room_and_for_every_event()
    {
        var (one, other) = (Guid.NewGuid(), Guid.NewGuid());
        Assert.NotEqual(Chance.SeedOf(one, 7), Chance.SeedOf(other, 7));
        Assert.NotEqual(Chance.SeedOf(one, 7), Chance.SeedOf(one, 8));
        Assert.Equal(Chance.SeedOf(one, 7), Chance.SeedOf(one, 7));
    }

    [Fact]
    public void An_onlooker_looks_and_does_nothing() => Assert.True(Actor.Onlooker.LooksOnly);

    private static bool Allows(Mark mark)
    {
        Mark Other(long id) => Of(new StampBody(0, 0, 900, 900, Stamps.All[0].Name)) with { Id = id };
        return ContentRules.FaultIn(Content() with { Marks = [Other(2), Other(3), mark] }) is null;
    }

    private static IEnumerable<(string Limit, Mark At, Mark Beyond)> AllEdges()
    {
        (string, Mark, Mark) Bodies(string limit, MarkBody at, MarkBody beyond) => (limit, Of(at), Of(beyond));
        (string, Mark, Mark) Styles(string limit, Style at, Style beyond) => (limit, Of(Text()) with { Style = at }, Of(Text()) with { Style = beyond });
        (string, Mark, Mark) Places(string limit, Place at, Place beyond) => (limit, Of(Text()) with { Place = at }, Of(Text()) with { Place = beyond });
        (string, Mark, Mark) Scales(string limit, Scale at, Scale beyond) => (limit, Of(Text()) with { Scale = at }, Of(Text()) with { Scale = beyond });
        yield return Bodies("points of ink", Ink(Limits.InkPoints), Ink(Limits.InkPoints + 1));
        yield return Bodies("ink at all", Ink(1), Ink(0));
        yield return Bodies("time of ink", Ink(1, ms: 599_999), Ink(1, ms: 600_000));
        yield return Bodies("ink before it began", Ink(1, ms: 0), Ink(1, ms: -1));
        yield return Bodies("place of ink", Ink(1, x: Far), Ink(1, x: Far + 1));
        yield return ("cuts in ink", Of(Ink(2)) with { Cuts = [0, 2] }, Of(Ink(2)) with { Cuts = [0, 3] });
        yield return ("cuts in order", Of(Ink(90)) with { Cuts = [2, 4, 8, 9] }, Of(Ink(90)) with { Cuts = [8, 9, 2, 4] });
        yield return ("cuts in ink alone", Of(Ink(2)) with { Cuts = [0, 1] }, Of(Text()) with { Cuts = [0, 1] });
        yield return Bodies("letters of a text", Text(Letters(Limits.TextLength)), Text(Letters(Limits.TextLength + 1)));
        yield return Bodies("letters of a language's tag", Text(language: Letters(35)), Text(language: Letters(36)));
        yield return Bodies("smallest type", Text(size: 100), Text(size: 99));
        yield return Bodies("largest type", Text(size: 20_000), Text(size: 20_001));
        yield return Bodies("letters in lines", Text(lines: [Letters(3_000), Letters(1_000)]), Text(lines: [Letters(3_000), Letters(1_001)]));
        yield return Bodies("lines", Text(lines: [.. Enumerable.Repeat("", Limits.TextLength)]), Text(lines: [.. Enumerable.Repeat("", Limits.TextLength + 1)]));
        yield return Bodies("other languages", Text(also: 40), Text(also: 41));
        yield return Bodies("each language once", Text(also: 2), new TextBody(0, 0, 900, 700, Words() with { Also = [new("en", "deck", [], 700)] }));
        yield return Bodies("words of a note", new NoteBody(0, 0, 900, 900, Words(Letters(Limits.TextLength))), new NoteBody(0, 0, 900, 900, Words(Letters(Limits.TextLength + 1))));
        yield return Bodies("left", new NoteBody(-Far, 0, 900, 900, Words()), new NoteBody(-Far - 1, 0, 900, 900, Words()));
        yield return Bodies("top", new NoteBody(0, Far, 900, 900, Words()), new NoteBody(0, Far + 1, 900, 900, Words()));
        yield return Bodies("width", new NoteBody(0, 0, Far, 900, Words()), new NoteBody(0, 0, Far + 1, 900, Words()));
        yield return Bodies("height", new NoteBody(0, 0, 900, 1, Words()), new NoteBody(0, 0, 900, 0, Words()));
        yield return Bodies("tail across", new BubbleBody(0, 0, 900, 900, Words(), Far, 0), new BubbleBody(0, 0, 900, 900, Words(), Far + 1, 0));
        yield return Bodies("tail down", new BubbleBody(0, 0, 900, 900, Words(), 0, -Far), new BubbleBody(0, 0, 900, 900, Words(), 0, -Far - 1));
        yield return Bodies("words of a bubble", new BubbleBody(0, 0, 900, 900, Words(size: 100), 0, 0), new BubbleBody(0, 0, 900, 900, Words(size: 99), 0, 0));
        yield return Bodies("corners", Polygon(Limits.Corners), Polygon(Limits.Corners + 1));
        yield return Bodies("corners of an arc", new ShapeBody(ShapeKind.Arc, [0, 0, 1, 1, 2, 0]), new ShapeBody(ShapeKind.Arc, [0, 0, 1, 1, 2, 0, 3, 0]));
        yield return Bodies("whole corners", new ShapeBody(ShapeKind.Polygon, [0, 0, 1, 1, 2, 0]), new ShapeBody(ShapeKind.Polygon, [0, 0, 1, 1, 2, 0, 3]));
        yield return Bodies("a kind of shape", new ShapeBody(ShapeKind.Ellipse, [0, 0, 900, 900]), new ShapeBody((ShapeKind)99, [0, 0, 900, 900]));
        yield return Bodies("place of a corner", new ShapeBody(ShapeKind.Line, [0, 0, Far, 0]), new ShapeBody(ShapeKind.Line, [0, 0, Far + 1, 0]));
        yield return Bodies("letters of a formula", Formula(Letters(Limits.FormulaLength)), Formula(Letters(Limits.FormulaLength + 1)));
        yield return Bodies("a formula at all", Formula("x"), Formula(""));
        yield return Bodies("outline of a formula", Formula("x", new string('0', Limits.OutlineLength)), Formula("x", new string('0', Limits.OutlineLength + 1)));
        yield return Bodies("only drawing in a formula", Formula("x", "M0 0L1 1Z"), Formula("x", "<script>"));
        yield return Bodies("description of a picture", Picture(Letters(Limits.DescriptionLength)), Picture(Letters(Limits.DescriptionLength + 1)));
        yield return Bodies("text of a picture", Picture("", Letters(Limits.PictureTextLength)), Picture("", Letters(Limits.PictureTextLength + 1)));
        yield return Bodies("name of a picture's file", Picture(""), new PictureBody(0, 0, 900, 900, "../../secret", ""));
        yield return Bodies("what stands on pages", new ShownBody(0, 0, 900, 900, Shown.Voice), new ShownBody(0, 0, 900, 900, Shown.Picture));
        yield return Bodies("length of a recording", new ShownBody(0, 0, 900, 900, Shown.Voice with { Duration = Recordings.Longest + Recordings.Tolerance }), new ShownBody(0, 0, 900, 900, Shown.Voice with { Duration = Recordings.Longest + Recordings.Tolerance + 1 }));
        yield return Bodies("address of a link", new ShownBody(0, 0, 900, 900, Shown.Link), new ShownBody(0, 0, 900, 900, Shown.Link with { Address = "javascript:alert(1)" }));
        yield return Bodies("a known stamp", new StampBody(0, 0, 900, 900, Stamps.All[0].Name), new StampBody(0, 0, 900, 900, "no such stamp"));
        yield return Bodies("ends of a connector", new ConnectorBody(2, 3, [0, 0, 1, 1]), new ConnectorBody(2, 2, [0, 0, 1, 1]));
        yield return Bodies("points of a connector", new ConnectorBody(2, 3, [0, 0, Far, 1]), new ConnectorBody(2, 3, [0, 0, Far + 1, 1]));
        yield return Bodies("two points of a connector", new ConnectorBody(2, 3, [0, 0, 1, 1]), new ConnectorBody(2, 3, [0, 0, 1, 1, 2, 2]));
        yield return Bodies("label of a connector", new ConnectorBody(2, 3, [0, 0, 1, 1], Words(Letters(Limits.TextLength))), new ConnectorBody(2, 3, [0, 0, 1, 1], Words(Letters(Limits.TextLength + 1))));
        yield return Bodies("name of a zone", Zone(name: Letters(Limits.NameLength)), Zone(name: Letters(Limits.NameLength + 1)));
        yield return Bodies("shape of a zone", Zone(), new ZoneBody(ShapeKind.Line, [0, 0, 1, 1], Texts.None));
        yield return Bodies("name of an answer field", new AnswerFieldBody(0, 0, 900, 900, Texts.In("en", Letters(Limits.NameLength))), new AnswerFieldBody(0, 0, 900, 900, Texts.In("en", Letters(Limits.NameLength + 1))));
        yield return Bodies("size of an answer field", new AnswerFieldBody(0, 0, Far, 900, Texts.None), new AnswerFieldBody(0, 0, Far + 1, 900, Texts.None));
        yield return Bodies("rule of a zone", Zone(), Zone() with { Rule = (ZoneRule)9 });
        yield return Bodies("expected marks", Zone(new([.. Ids(Limits.Expected)], [])), Zone(new([.. Ids(Limits.Expected + 1)], [])));
        yield return Bodies("accepted answers", Zone(new([], [.. Answers(Limits.Expected)])), Zone(new([], [.. Answers(Limits.Expected + 1)])));
        yield return Bodies("letters of an answer", Zone(new([], [Letters(Limits.NameLength)])), Zone(new([], [Letters(Limits.NameLength + 1)])));
        yield return Bodies("an answer at all", Zone(new([], ["deck"])), Zone(new([], ["deck", ""])));
        yield return Bodies("least in a zone", Zone(new([], [], Least: 0)), Zone(new([], [], Least: -1)));
        yield return Bodies("least in a zone, large", Zone(new([], [], Least: Limits.Marks)), Zone(new([], [], Least: Limits.Marks + 1)));
        yield return Bodies("most in a zone", Zone(new([], [], Most: 0)), Zone(new([], [], Most: -1)));
        yield return Bodies("most in a zone, large", Zone(new([], [], Most: Limits.Marks)), Zone(new([], [], Most: Limits.Marks + 1)));
        yield return ("filling of a zone", Of(Zone()), Of(Zone()) with { Style = s_style with { Fill = 0 } });
        yield return Styles("colour", s_style with { Colour = 63 }, s_style with { Colour = 64 });
        yield return Styles("colour from 0", s_style with { Colour = 0 }, s_style with { Colour = -1 });
        yield return Styles("width of a line", s_style with { Width = 2_000 }, s_style with { Width = 2_001 });
        yield return Styles("width from 0", s_style with { Width = 0 }, s_style with { Width = -1 });
        yield return Styles("filling", s_style with { Fill = 64 }, s_style with { Fill = 65 });
        yield return Styles("filling from 0", s_style with { Fill = 0 }, s_style with { Fill = -1 });
        yield return Styles("looks", s_style with { Looks = Looks.Bold }, s_style with { Looks = (Looks)4_096 });
        yield return Places("moved across", new Place(Far, 0, 0), new Place(Far + 1, 0, 0));
        yield return Places("moved down", new Place(0, -Far, 0), new Place(0, -Far - 1, 0));
        yield return Places("turned", new Place(0, 0, 35_999), new Place(0, 0, 36_000));
        yield return Scales("smallest", new Scale(10, 1_000), new Scale(9, 1_000));
        yield return Scales("smallest, upright", new Scale(1_000, 10), new Scale(1_000, 9));
        yield return Scales("largest", new Scale(100_000, 1_000), new Scale(100_001, 1_000));
        yield return Scales("largest, upright", new Scale(1_000, 100_000), new Scale(1_000, 100_001));
        yield return Places("turned from 0", new Place(0, 0, 0), new Place(0, 0, -1));
    }

    private static Mark Of(MarkBody body) => new(1, 1, 1, ByStaff: true, Grip.Printed, 1, body, s_style, Place.AsDrawn, [], Erased: false);

    private static string Letters(int count) => new('x', count);

    private static Texts InLanguages(int count) => Enumerable.Range(0, count).Aggregate(Texts.None, (texts, i) => texts.With($"x{i.ToString(CultureInfo.InvariantCulture)}", "deck"));

    private static InkBody Ink(int points, int ms = 0, int x = 0) => new([.. Enumerable.Range(0, points).Select(i => new InkPoint(x == 0 ? i : x, 0, 128, ms))]);

    private static Words Words(string text = "deck", string language = "en", int size = 700, ImmutableArray<string>? lines = null) => new(text, language, lines ?? [], size);

    private static TextBody Text(string text = "deck", string language = "en", int size = 700, ImmutableArray<string>? lines = null, int also = 0)
    {
        var words = Words(text, language, size, lines);
        return new(0, 0, 900, 700, also == 0 ? words : words with { Also = [.. Enumerable.Range(0, also).Select(i => new Translation($"x{i.ToString(CultureInfo.InvariantCulture)}", "deck", [], 700))] });
    }

    private static ShapeBody Polygon(int corners) => new(ShapeKind.Polygon, [.. Enumerable.Range(0, 2 * corners)]);

    private static FormulaBody Formula(string source, string outline = "M0 0") => new(0, 0, 900, 700, source, outline);

    private static PictureBody Picture(string description, string? text = null) => new(0, 0, 900, 700, s_media, description, text);

    private static ZoneBody Zone(Expectation? expected = null, string name = "deck") => new(ShapeKind.Polygon, [0, 0, 900, 0, 900, 900], Texts.In("en", name), ZoneRule.Centre, expected);

    private static IEnumerable<long> Ids(int count) => Enumerable.Range(1, count).Select(i => (long)i);

    private static IEnumerable<string> Answers(int count) => Enumerable.Range(1, count).Select(i => $"a{i.ToString(CultureInfo.InvariantCulture)}");
}
