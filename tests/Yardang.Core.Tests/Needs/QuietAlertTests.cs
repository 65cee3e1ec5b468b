using System.Collections.Immutable;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Needs;
using Yardang.Core.Rooms;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Needs;

/// <summary>What may be mischief is listed for the teacher, and nothing else is.</summary>
public class QuietAlertTests
{
    private const long Now = 1_000_000;
    private static readonly Guid s_room = Guid.NewGuid();

    [Fact]
    public void Who_takes_away_much_of_others_in_a_minute_is_listed()
    {
        Assert.Empty(Listed(Touches(4, Touching.Removed)));
        var need = Assert.Single(Listed(Touches(5, Touching.Removed)));
        Assert.Equal((NeedKind.ClearsAway, 2, 5, (Guid?)s_room), (need.Kind, need.Person, need.Count, need.Board));
    }

    [Fact]
    public void Moving_is_listed_only_if_it_is_a_lot_of_it_and_changing_never_counts_as_taking_away()
    {
        Assert.Empty(Listed(Touches(14, Touching.Moved)));
        Assert.Single(Listed(Touches(15, Touching.Moved)));
        Assert.Empty(Listed([.. Enumerable.Repeat(new Touch(Now, 2, 3, Touching.Changed), 60)]));
    }

    [Fact]
    public void What_is_spread_over_a_whole_lesson_is_not_listed()
    {
        var alerts = QuietAlerts.None;
        for (var minute = 0; minute < 40; minute++) alerts = alerts.With(s_room, [.. Touches(4, Touching.Removed, Now + (minute * 61_000L))], Now + (minute * 61_000L));
        Assert.Empty(alerts.Listed(Now + (40 * 61_000L)));
    }

    [Fact]
    public void Several_who_do_a_little_each_are_several_and_none_of_them_is_listed()
    {
        Assert.Empty(Listed([.. Enumerable.Range(2, 20).SelectMany(person => Enumerable.Repeat(new Touch(Now, person, 1, Touching.Removed), 4))]));
    }

    [Fact]
    public void Who_changes_what_four_others_wrote_is_listed_and_who_changes_one_others_again_and_again_is_not()
    {
        Assert.Empty(Listed([.. Enumerable.Repeat(new Touch(Now, 2, 3, Touching.Changed), 30)]));
        var need = Assert.Single(Listed([.. Enumerable.Range(0, 5).Select(n => new Touch(Now, 2, (n % 4) + 3, Touching.Changed))]));
        Assert.Equal((NeedKind.Rewrites, 4, 5), (need.Kind, need.Others, need.Count));
    }

    [Fact]
    public void What_goes_on_is_one_thing_and_what_comes_after_a_rest_is_listed_anew()
    {
        var alerts = QuietAlerts.None.With(s_room, [.. Touches(5, Touching.Removed)], Now);
        alerts = alerts.With(s_room, [.. Touches(2, Touching.Removed, Now + 5_000)], Now + 5_000);
        Assert.Equal(Now, Assert.Single(alerts.Listed(Now + 5_000)).Since);
        var later = Now + (10 * 60_000);
        alerts = alerts.With(s_room, [.. Touches(5, Touching.Removed, later)], later);
        Assert.Equal(later, Assert.Single(alerts.Listed(later)).Since);
        Assert.Empty(alerts.Listed(later + QuietAlerts.ListedFor));
    }

    [Fact]
    public void No_more_is_remembered_than_is_stated()
    {
        var alerts = QuietAlerts.None;
        for (var n = 0; n < 30; n++) alerts = alerts.With(s_room, [.. Enumerable.Range(0, 1_000).Select(i => new Touch(Now, (i % 40) + 2, 1, Touching.Moved))], Now);
        Assert.Equal(40, alerts.Listed(Now).Count());
    }

    [Fact]
    public void On_a_wall_what_was_done_to_classmates_cards_counts_and_what_was_done_to_ones_own_does_not()
    {
        var wall = new WallScript(WallRules.Free with { AnyMoves = true });
        var (mine, bens, hers) = (wall.PutUp(Maya, "mine"), wall.PutUp(Ben, "his"), wall.PutUp(Teacher, "hers"));
        foreach (var card in new[] { mine, bens, hers }) Assert.IsType<Decision.Accepted>(wall.Do(Maya, new MoveCard(card, 12, 1)));
        wall.Do(Teacher, new MoveCard(bens, 11, 2));
        wall.Do(Maya, new RewordCard(mine, "en", "mine, too"));
        Assert.Equal([(2, 3, Touching.Moved)], wall.Log.SelectMany(e => OthersWork.In(e, wall.Wall)).Select(t => (t.Person, t.Whose, t.What)));
    }

    [Fact]
    public void What_a_teacher_put_there_to_be_moved_counts_for_nothing_however_often_it_is_moved_nor_does_ones_own()
    {
        var board = new BoardScript();
        var place = board.Board.Sheets.Marks[LooseLabel].Place;
        Assert.IsType<Decision.Accepted>(board.Do(Maya, new MakeChanges([new Placed(LooseLabel, place with { X = place.X + 500 })])));
        Assert.IsType<Decision.Accepted>(board.Do(Maya, new MakeChanges([new Erasing(board.Draw(Maya), true)])));
        board.Undo(Maya);
        board.Undo(Maya);
        Assert.Equal(2, board.Log.Count(e => e.Event is ChangesMade));
        Assert.Empty(board.Log.SelectMany(e => OthersWork.In(e, board.Board)));
    }

    [Fact]
    public void Whose_things_several_have_told_of_is_listed_however_many_things_they_are_until_they_are_looked_at()
    {
        var wall = new WallScript(WallRules.Free with { Answers = true });
        var (first, second) = (wall.PutUp(Ben, "one"), wall.PutUp(Ben, "two"));
        void Tell(int person, long card) => Assert.IsType<Decision.Accepted>(wall.Do(new Actor(person, Role.Student), new RaiseConcern(card, 0, ConcernReason.Hurts, "")));
        Tell(2, first);
        Tell(2, second);
        Tell(4, first);
        Assert.Empty(QuietAlerts.ToldOf(s_room, wall.Wall));
        Tell(5, second);
        var need = Assert.Single(QuietAlerts.ToldOf(s_room, wall.Wall));
        Assert.Equal((NeedKind.ToldOf, 3, 3), (need.Kind, need.Person, need.Others));
        wall.Do(Teacher, new SettleConcerns(second, 0));
        Assert.Empty(QuietAlerts.ToldOf(s_room, wall.Wall));
    }

    [Fact]
    public void Where_names_are_for_nobody_nobody_is_listed()
    {
        var wall = new WallScript(WallRules.Free with { Names = NamesTo.Nobody });
        var bens = wall.PutUp(Ben, "one");
        wall.PutUp(Maya, "a");
        wall.PutUp(new Actor(4, Role.Student), "b");
        wall.DoByProgram(new LetCardsOut());
        foreach (var teller in Enumerable.Range(4, 3).Select(n => new Actor(n, Role.Student))) wall.Do(teller, new RaiseConcern(wall.Wall.Veil.Over(teller, bens), 0, ConcernReason.Hurts, ""));
        Assert.NotEmpty(wall.Wall.Concerns.Open);
        Assert.Empty(QuietAlerts.ToldOf(s_room, wall.Wall));
    }

    [Fact]
    public void Of_who_waits_at_the_door_it_is_said_that_they_are_not_on_the_class_list_where_there_is_one()
    {
        Person listed = new(2, 100, Standing: Standing.Waiting, IsListed: true), stranger = new(3, 200, Standing: Standing.Waiting);
        Assert.Equal([(2, false), (3, true)], NeedsMe.Of(At(listed, stranger)).Select(n => (n.Person, n.IsStranger)));
        Assert.False(Assert.Single(NeedsMe.Of(At(stranger))).IsStranger);
    }

    [Fact]
    public void A_teacher_who_has_seen_it_or_does_not_want_it_is_not_told_again()
    {
        var now = At(new Person(2, 0)) with { Alerts = [new(NeedKind.ClearsAway, 2, 50)] };
        Assert.Single(NeedsMe.Of(now));
        Assert.Empty(NeedsMe.Of(now with { Answered = new Dictionary<(int, NeedKind), AnsweredNeed> { [(2, NeedKind.ClearsAway)] = new(2, NeedKind.ClearsAway, 60, null) } }));
        Assert.Empty(NeedsMe.Of(now with { Settings = NeedsSettings.Usual with { WithoutAlerts = true } }));
    }

    [Fact]
    public void They_stand_behind_what_waits_and_before_what_is_only_seen_and_who_has_left_is_not_listed()
    {
        ImmutableArray<Need> alerts = [new(NeedKind.ClearsAway, 2, 50), new(NeedKind.ClearsAway, 9, 50)];
        var needs = NeedsMe.Of(At(new Person(2, 0), new Person(3, 0, HandUpAt: 10)) with { Alerts = alerts, Waiting = [new(Guid.NewGuid(), 3, 2)] });
        Assert.Equal([NeedKind.Hand, NeedKind.LateWork, NeedKind.ClearsAway], needs.Select(n => n.Kind));
    }

    private static ClassNow At(params Person[] people) =>
        new([.. people.Select(p => new Student(p, null, null, 0, 0, 0))], MayWrite: true, NeedsSettings.Usual, new Dictionary<(int Person, NeedKind Kind), AnsweredNeed>(), new Dictionary<int, LastVisit>(), [], 0, Now, []);

    private static IReadOnlyList<Need> Listed(IReadOnlyCollection<Touch> touches) => [.. QuietAlerts.None.With(s_room, touches, Now).Listed(Now)];

    private static IReadOnlyCollection<Touch> Touches(int count, Touching what, long at = Now) => [.. Enumerable.Range(0, count).Select(n => new Touch(at, 2, (n % 3) + 3, what))];
}
