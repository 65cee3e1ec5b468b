using System.Collections.Immutable;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>On a wall to connect: who may link what, what each sees of it, where cards lie, and what links say together.</summary>
public class ConnectTests
{
    private static readonly FieldPlan s_words = new([new(1, Texts.In("en", "pushes on")), new(2, Texts.In("en", "is part of"))]);

    [Fact]
    public void Anybody_links_cards_that_they_see_with_the_teachers_words_or_their_own_once_in_each_direction()
    {
        var wall = Field();
        var (load, deck) = (wall.PutUp(Maya, "Load"), wall.PutUp(Teacher, "Deck"));
        Accepted(Link(wall, Ben, load, deck, 1));
        Accepted(Link(wall, Ben, deck, load, 0, "carries"));
        Refused(Refusal.ChangedSince, Link(wall, Maya, load, deck, 2));
        Refused(Refusal.OutOfRange, Link(wall, Maya, load, load, 1));
        Refused(Refusal.NotFound, Link(wall, Maya, load, 99, 1));
        Refused(Refusal.NotFound, Link(wall, Maya, wall.PutUp(Maya, "Pier"), deck, 3));
        Refused(Refusal.OutOfRange, Link(wall, Maya, wall.PutUp(Maya, "Arch"), deck, 0, new string('x', 61)));
        Refused(Refusal.OutOfRange, Link(wall, Maya, wall.PutUp(Maya, "Cable"), deck, 1, "and its own"));
        Refused(Refusal.OutOfRange, Link(wall, Maya, wall.PutUp(Maya, "Wind"), deck, 0, "  "));
        Assert.Equal(2, wall.Wall.Links.Standing(wall.Wall.Cards).Count());
    }

    [Fact]
    public void Where_only_the_teachers_words_are_said_students_say_no_others_and_teachers_may()
    {
        var wall = Field(s_words with { OnlyThese = true });
        var (load, deck) = (wall.PutUp(Maya, "Load"), wall.PutUp(Maya, "Deck"));
        Refused(Refusal.NotAllowed, Link(wall, Maya, load, deck, 0, "sits on"));
        Accepted(Link(wall, Teacher, load, deck, 0, "sits on"));
    }

    [Fact]
    public void Where_each_links_only_their_own_a_classmates_card_is_left_alone_and_a_teachers_is_not()
    {
        var wall = Field(s_words with { OwnOnly = true });
        var (mayas, bens, teachers) = (wall.PutUp(Maya, "Load"), wall.PutUp(Ben, "Deck"), wall.PutUp(Teacher, "Pier"));
        Refused(Refusal.NotAllowed, Link(wall, Maya, mayas, bens, 1));
        Accepted(Link(wall, Maya, mayas, teachers, 1));
    }

    [Fact]
    public void A_link_is_changed_reversed_and_taken_down_by_whoever_made_it_and_by_teachers()
    {
        var wall = Field();
        var (load, deck) = (wall.PutUp(Maya, "Load"), wall.PutUp(Maya, "Deck"));
        var link = Made(wall, Maya, load, deck);
        Refused(Refusal.NotYours, wall.Do(Ben, new ReverseLink(link)));
        Refused(Refusal.NotYours, wall.Do(Ben, new RewordLink(link, 0, "en", "crushes")));
        Accepted(wall.Do(Maya, new ReverseLink(link)));
        Assert.Equal((deck, load), (wall.Wall.Links.All[link].From, wall.Wall.Links.All[link].To));
        Accepted(wall.Do(Teacher, new RewordLink(link, 2, "", "")));
        Accepted(wall.Do(Maya, new TakeLinkDown(link)));
        Assert.DoesNotContain(link, Seen(wall, Ben).Links.Select(l => l.Id));
        Refused(Refusal.NotFound, wall.Do(Ben, new PutLinkBack(link)));
        Accepted(wall.Do(Maya, new PutLinkBack(link)));
        wall.Do(Teacher, new TakeLinkDown(link));
        Refused(Refusal.NotAllowed, wall.Do(Maya, new PutLinkBack(link)));
    }

    [Fact]
    public void Reversing_a_link_where_there_is_one_the_other_way_is_refused()
    {
        var wall = Field();
        var (load, deck) = (wall.PutUp(Maya, "Load"), wall.PutUp(Maya, "Deck"));
        var link = Made(wall, Maya, load, deck);
        Accepted(Link(wall, Ben, deck, load, 1));
        Refused(Refusal.ChangedSince, wall.Do(Maya, new ReverseLink(link)));
    }

    [Fact]
    public void What_is_said_of_a_card_that_was_taken_down_is_told_to_nobody_who_comes_later_until_it_is_back()
    {
        var wall = Field();
        var (load, deck) = (wall.PutUp(Maya, "Load"), wall.PutUp(Ben, "Deck"));
        var link = Made(wall, Maya, load, deck);
        wall.Do(Teacher, new TakeCardDown(deck));
        Assert.Empty(Seen(wall, Ben).Links);
        Assert.Single(Seen(wall, Maya).Links);
        Refused(Refusal.NotFound, wall.Do(Maya, new RewordLink(link, 0, "en", "never")));
        Refused(Refusal.NotFound, Link(wall, Maya, deck, load, 1));
        wall.Do(Teacher, new PutCardBack(deck));
        Assert.Equal(link, Assert.Single(Assert.IsType<CardPutBack>(wall.Log[^1].Event).Links!.Value).Id);
    }

    [Fact]
    public void While_each_sees_only_their_own_nobody_learns_what_a_classmate_linked_not_even_by_linking_the_same()
    {
        var wall = Field(rules: new WallRules(OwnFirst: true));
        var (load, deck, mayas) = (wall.PutUp(Teacher, "Load"), wall.PutUp(Teacher, "Deck"), wall.PutUp(Maya, "Pier"));
        Accepted(Link(wall, Maya, load, deck, 1));
        Assert.False(Sight.Of(Ben, wall.Log[^1]));
        Assert.True(Sight.Of(Maya, wall.Log[^1]));
        Accepted(Link(wall, Ben, load, deck, 2));
        Refused(Refusal.NotFound, Link(wall, Ben, load, mayas, 1));
        Accepted(Link(wall, Teacher, mayas, deck, 1));
        Assert.False(Sight.Of(Maya, wall.Log[^1]));
        Assert.Equal([1, 1], new[] { Maya, Ben }.Select(p => Seen(wall, p).Links.Length));
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new TidyField()));
        Refused(Refusal.NotYours, wall.Do(Ben, new LayCard(deck, new(900, 0))));

        wall.Do(Teacher, new SetPlan(wall.Wall.Plan with { Rules = WallRules.Free }));
        Assert.Equal(3, Assert.IsType<CardsShown>(wall.Log[^1].Event).Links!.Value.Length);
        Assert.Equal(3, Seen(wall, Ben).Links.Length);
    }

    [Fact]
    public void Cards_that_were_laid_on_one_another_unseen_lie_beside_one_another_once_all_are_shown()
    {
        var wall = Field(rules: new WallRules(OwnFirst: true));
        foreach (var person in new[] { Maya, Ben }) wall.Do(person, new PutUpCard(wall.NextId(person), 0, "en", "mine", Spot: new(0, 0)));
        Assert.Single(Places(wall).Distinct());
        wall.Do(Teacher, new SetPlan(wall.Wall.Plan with { Rules = WallRules.Free }));
        AssertApart(Places(wall));
    }

    [Fact]
    public void A_new_card_lies_where_it_is_wanted_or_beside_what_it_belongs_to_and_never_on_another()
    {
        var wall = Field();
        var first = wall.PutUp(Maya, "Load");
        for (var i = 0; i < 40; i++) wall.Do(i % 2 == 0 ? Maya : Ben, new PutUpCard(wall.NextId(i % 2 == 0 ? Maya : Ben), 0, "en", $"idea {i}", Spot: i % 3 == 0 ? new(i * 7, i * -3) : null, Beside: first));
        AssertApart(Places(wall));
        var (at, beside) = (wall.Wall.Cards[first].Spot!, wall.Wall.Cards.Values.First(c => c.Text == "idea 1").Spot!);
        Assert.True(Math.Abs(at.X - beside.X) <= 2 * FieldPlan.CardWidth && Math.Abs(at.Y - beside.Y) <= 2 * FieldPlan.CardHeight);
        Refused(Refusal.OutOfRange, wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 0, "en", "far away", Spot: new(20_001, 0))));
    }

    [Fact]
    public void Cards_to_begin_with_and_those_of_another_purpose_lie_beside_one_another_under_the_picture()
    {
        var plan = Plan() with { Purpose = Purpose.Connect, Field = new([], Picture: Shown.Map), GivenCards = [.. Enumerable.Range(1, 12).Select(i => new GivenCard(i, 0, Texts.In("en", $"given {i}")))] };
        var given = new Wall(plan).Cards.Values.Select(c => c.Spot!).ToList();
        AssertApart(given);
        Assert.All(given, s => Assert.True(s.Y > FieldPlan.SizeOf(Shown.Map).Height / 2));

        var wall = new WallScript();
        for (var i = 0; i < 5; i++) wall.PutUp(Maya, $"sorted {i}");
        wall.Do(Teacher, new SetPlan(Plan() with { Purpose = Purpose.Connect }));
        Assert.Equal(5, Places(wall).Count);
        AssertApart(Places(wall));
    }

    [Fact]
    public void A_card_is_moved_on_the_field_by_its_author_and_teachers_and_by_all_where_the_teacher_lets_them()
    {
        var wall = Field();
        var card = wall.PutUp(Maya, "Load");
        Refused(Refusal.NotYours, wall.Do(Ben, new LayCard(card, new(300, 0))));
        Accepted(wall.Do(Maya, new LayCard(card, new(300, 0))));
        Accepted(wall.Do(Teacher, new LayCard(card, new(600, 0))));
        wall.Do(Teacher, new SetPlan(wall.Wall.Plan with { Field = s_words with { AnyMoves = true } }));
        Accepted(wall.Do(Ben, new LayCard(card, new(0, 500))));
        Refused(Refusal.OutOfRange, wall.Do(Ben, new LayCard(card, new(0, 20_001))));
        Assert.Equal(new FieldSpot(0, 500), wall.Wall.Cards[card].Spot);
    }

    [Fact]
    public void A_teacher_tidies_the_field_and_can_lay_all_back_where_it_lay_a_student_cannot()
    {
        var wall = Field();
        var ids = Enumerable.Range(0, 6).Select(i => wall.PutUp(Maya, $"{i}")).ToList();
        foreach (var id in ids) wall.Do(Maya, new LayCard(id, new((int)(id % 3), 0)));
        for (var i = 1; i < ids.Count; i++) Link(wall, Maya, ids[i - 1], ids[i], 1);
        var before = ids.Select(id => new CardSpot(id, wall.Wall.Cards[id].Spot!)).ToImmutableArray();
        Refused(Refusal.NotAllowed, wall.Do(Maya, new TidyField()));
        Refused(Refusal.NotAllowed, wall.Do(Maya, new LayCards(before)));
        Accepted(wall.Do(Teacher, new TidyField()));
        AssertApart(Places(wall));
        Accepted(wall.Do(Teacher, new LayCards(before)));
        Assert.Equal(before, ids.Select(id => new CardSpot(id, wall.Wall.Cards[id].Spot!)));
        Refused(Refusal.ChangedSince, wall.Do(Teacher, new LayCards(before)));
        Refused(Refusal.OutOfRange, wall.Do(Teacher, new LayCards([before[0], before[0]])));
    }

    [Fact]
    public void What_is_linked_while_pens_are_down_waits_for_the_teacher_with_the_cards_that_it_joins()
    {
        var wall = Field();
        var deck = wall.PutUp(Teacher, "Deck");
        wall.Allowed = new Allowed(PensDown: true);
        var load = wall.NextId(Maya);
        wall.Do(Maya, new PutUpCard(load, 0, "en", "Load"));
        var link = wall.NextId(Maya);
        wall.Do(Maya, new LinkCards(link, load, deck, 1, "", ""));
        wall.Do(Maya, new ReverseLink(link));
        Refused(Refusal.TooLate, wall.Do(Maya, new LayCard(deck, new(5, 5))));
        Assert.Equal(3, wall.Wall.SetAside.Count);
        foreach (var late in wall.Wall.SetAside.Keys.ToList()) Accepted(wall.Do(Teacher, new AcceptLateWork(late)));
        Assert.Equal((deck, load), (wall.Wall.Links.All[link].From, wall.Wall.Links.All[link].To));
        Assert.Contains(Maya.Number, wall.Wall.Writers);
    }

    [Fact]
    public void On_a_wall_for_something_else_nothing_is_linked_or_laid()
    {
        var wall = new WallScript();
        var (one, other) = (wall.PutUp(Maya, "one"), wall.PutUp(Maya, "other"));
        Refused(Refusal.NotAllowed, Link(wall, Maya, one, other, 0));
        Refused(Refusal.NotAllowed, wall.Do(Maya, new LayCard(one, new(0, 0))));
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new TidyField()));
    }

    [Fact]
    public void Links_say_which_ideas_are_loose_what_leads_where_and_what_leads_back()
    {
        // 1 → 2 → 3 → 4, 4 → 5 → 6 → 4, 7 alone, 8 → 9.
        Link[] links = [.. new (long From, long To)[] { (1, 2), (2, 3), (3, 4), (4, 5), (5, 6), (6, 4), (8, 9) }.Select((l, i) => new Link(i + 1, l.From, l.To, 0, "", "", 2, false))];
        var reading = LinkReading.Of([9, 8, 7, 6, 5, 4, 3, 2, 1], links);
        Assert.Equal([7], reading.Loose);
        Assert.Equal("1 2 3 4", string.Join(' ', Assert.Single(reading.Chains)));
        Assert.Equal("4 5 6", string.Join(' ', Assert.Single(reading.Loops)));
    }

    [Fact]
    public void A_field_that_cannot_be_is_refused_in_words()
    {
        WallPlan With(FieldPlan field) => Plan() with { Purpose = Purpose.Connect, Field = field };
        Assert.Null(With(s_words).Fault());
        FieldPlan[] wrong =
        [
            new([new(0, Texts.None)]), new([new(1, Texts.None), new(1, Texts.None)]), new([new(1, Texts.In("en", new string('x', 61)))]), FieldPlan.Blank with { Paper = PaperKind.Staves },
            new([.. Enumerable.Range(1, 25).Select(i => new LinkWord(i, Texts.None))]), FieldPlan.Blank with { Picture = Shown.Map with { Media = "../secret" } },
        ];
        Assert.All(wrong, field => Assert.NotNull(With(field).Fault()));
        Assert.NotNull((Plan() with { Purpose = (Purpose)6 }).Fault());
    }

    /// <summary>What links say together, by chance: cards, links, and what Core reads in them.</summary>
    internal static IEnumerable<object> Vectors() => Enumerable.Range(1, 60).Select(seed =>
    {
        var random = new Random(seed);
        var cards = Enumerable.Range(1, random.Next(1, 14)).Select(i => (long)i).ToList();
        var links = Enumerable.Range(1, random.Next(0, 18)).Select(i => new Link(i, random.Next(1, 16), random.Next(1, 16), 0, "", "", 2, false)).Where(l => l.From != l.To).ToList();
        var reading = LinkReading.Of(cards, links);
        return (object)new { cards, links = links.Select(l => new[] { l.From, l.To }), loose = reading.Loose, chains = reading.Chains, loops = reading.Loops };
    });

    internal static void AssertApart(IReadOnlyList<FieldSpot> spots)
    {
        for (var i = 0; i < spots.Count; i++)
        {
            for (var j = i + 1; j < spots.Count; j++) Assert.False(FreeSpots.Touch(spots[i], spots[j]), $"{spots[i]} lies on {spots[j]}.");
        }
    }

    private static WallScript Field(FieldPlan? field = null, WallRules? rules = null)
    {
        var wall = new WallScript(rules);
        wall.Do(Teacher, new SetPlan(Plan(rules) with { Purpose = Purpose.Connect, Field = field ?? s_words }));
        return wall;
    }

    private static Decision Link(WallScript wall, Actor actor, long from, long to, long word, string text = "") => wall.Do(actor, new LinkCards(wall.NextId(actor), from, to, word, "en", text));

    private static long Made(WallScript wall, Actor actor, long from, long to)
    {
        Accepted(Link(wall, actor, from, to, 1));
        return wall.Wall.Links.All.Keys.Max();
    }

    private static List<FieldSpot> Places(WallScript wall) => [.. wall.Wall.Cards.Values.Where(c => c.IsUp).Select(c => c.Spot!)];

    private static WallSnapshot Seen(WallScript wall, Actor reader) => Assert.IsType<WallSnapshot>(Snapshots.Of(wall.Wall, reader));

    private static void Accepted(Decision decision) => Assert.IsType<Decision.Accepted>(decision);

    private static void Refused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);
}
