using System.Collections.Immutable;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>Cards from an archive: what a wall could hold, and nothing else.</summary>
public class BringingTests
{
    private static readonly Card s_good = new(1L << 32, 11, 12, 2, ByStaff: false, 1, "en", "Triangles", 1_000);

    public static TheoryData<string> Forbidden() => [.. Hostile().Select(h => h.Name)];

    [Fact]
    public void What_was_up_is_up_again_on_a_new_wall()
    {
        var wall = new Wall(Plan());
        ImmutableArray<Card> cards = [s_good, s_good with { Id = 9, Topic = 0 }];
        var decision = Assert.IsType<Decision.Accepted>(wall.Decide(Submission.ByProgram(new BringCards(Plan(new(1, 4)), cards, 5_000)), Actor.Program, Situation.Open));
        wall.Apply(new Envelope(1, 9_000, Actor.Program, 0, 0, 0, decision.Audience, decision.Event));
        Assert.Equal(cards.OrderBy(c => c.Id), wall.Cards.Values);
        Assert.Equal((4, 5_000), (wall.Plan.Rules.Most, wall.LastActivity));
    }

    [Fact]
    public void Nobody_but_the_program_brings_cards_and_only_to_a_new_wall()
    {
        var script = new WallScript();
        script.PutUp(Maya, "arches");
        var bring = new BringCards(Plan(), [s_good], null);
        Refused(Refusal.NotAllowed, script.Do(Teacher, bring));
        Refused(Refusal.NotAllowed, script.Do(Maya, bring));
        Refused(Refusal.NotAllowed, script.Wall.Decide(Submission.ByProgram(bring), Actor.Program, Situation.Open));
    }

    [Theory]
    [MemberData(nameof(Forbidden))]
    public void What_no_wall_could_hold_comes_in_by_no_way(string name)
    {
        var (_, plan, cards) = Hostile().Single(h => h.Name == name);
        Refused(Refusal.OutOfRange, new Wall(Plan()).Decide(Submission.ByProgram(new BringCards(plan, cards, null)), Actor.Program, Situation.Open));
        Assert.NotNull(WorkRules.FaultIn(WorkOf(new(plan, cards))));
    }

    [Fact]
    public void Work_on_a_wall_is_of_its_people_and_has_no_pages()
    {
        Assert.Null(WorkRules.FaultIn(WorkOf(new(Plan(), [s_good]))));
        Assert.Contains("not in the lesson", WorkRules.FaultIn(WorkOf(new(Plan(), [s_good with { Author = 7 }])))!.Sentence, StringComparison.Ordinal);
        Assert.Contains("not in the lesson", WorkRules.FaultIn(WorkOf(new(Plan(), [s_good with { Author = 2, ByStaff = true }])))!.Sentence, StringComparison.Ordinal);
        var paged = WorkOf(new(Plan(), [s_good]));
        Assert.Contains("no pages", WorkRules.FaultIn(paged with { Boards = [paged.Boards[0] with { Pages = [new(1, Core.Pages.Texts.None, Core.Pages.PageSize.A4, Core.Pages.Paper.Plain)] }] })!.Sentence, StringComparison.Ordinal);
    }

    private static void Refused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);

    private static ArchivedWork WorkOf(ArchivedWall wall) => new("x", "", DateTimeOffset.UnixEpoch, Way.OneEach, [new(2, "Maya")], [new([2], [], [], Wall: wall)]);

    private static IEnumerable<(string Name, WallPlan Plan, ImmutableArray<Card> Cards)> Hostile()
    {
        (string, WallPlan, ImmutableArray<Card>) With(string name, params Card[] cards) => (name, Plan(), [.. cards]);
        yield return ("a plan that owes more than it allows", Plan(new(5, 2)), [s_good]);
        yield return With("one number twice", s_good, s_good);
        yield return With("no number", s_good with { Id = 0 });
        yield return With("a number too large", s_good with { Id = 1L << 53 });
        yield return With("nothing said", s_good with { Text = " \n" });
        yield return With("too much said", s_good with { Text = new string('x', 1_001) });
        yield return With("no language", s_good with { Language = new string('x', 36) });
        yield return With("under no topic", s_good with { Topic = 99 });
        yield return With("nowhere in its topic", s_good with { Order = double.NaN });
        yield return With("far out", s_good with { Order = 1e9 });
        yield return With("taken down", s_good with { DownBy = 2 });
        yield return With("before time", s_good with { PutUpAt = -1 });
        yield return With("after time", s_good with { PutUpAt = long.MaxValue });
        yield return With("too many of one", [.. Enumerable.Range(1, 401).Select(n => s_good with { Id = n })]);
        yield return With("too many", [.. Enumerable.Range(1, 10_001).Select(n => s_good with { Id = n, Author = n })]);
    }
}
