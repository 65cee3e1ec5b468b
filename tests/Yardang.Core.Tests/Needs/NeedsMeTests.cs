using System.Collections.Immutable;
using Yardang.Core.Lessons;
using Yardang.Core.Needs;

namespace Yardang.Core.Tests.Needs;

/// <summary>Who needs the teacher, and why. Times are in seconds from the beginning of the lesson.</summary>
public class NeedsMeTests
{
    private const int Now = 1_000;
    private static readonly Contact s_here = new(true, 0);

    [Fact]
    public void Hands_stand_in_the_order_of_waiting_with_the_reason_and_before_all_but_the_door()
    {
        var needs = Needs(
            Working(2) with { Person = new(2, 0, HandUpAt: 900_000, Reason: HandReason.Material) },
            Working(3) with { Person = new(3, 0, HandUpAt: 800_000, Words: "Where is the ruler?") },
            Working(4) with { Person = new(4, 0, ReadyAt: 1_000) },
            Working(5) with { Person = new(5, 0, Report: Report.Stuck, ReportAt: 999_000) },
            Working(6) with { Person = new(6, 990_000, Standing: Standing.Waiting) });
        Assert.Equal([(NeedKind.Door, 6), (NeedKind.Hand, 3), (NeedKind.Hand, 2), (NeedKind.Stuck, 5), (NeedKind.Ready, 4)], needs.Select(n => (n.Kind, n.Person)));
        Assert.Equal(["", "Where is the ruler?", "", "", ""], needs.Select(n => n.Words));
        Assert.Equal(HandReason.Material, needs[2].Reason);
    }

    [Fact]
    public void Who_is_silent_while_others_go_on_has_stopped_and_it_is_said_of_how_many()
    {
        var need = Assert.Single(Needs([Silent(2, since: 850), .. Enumerable.Range(3, 9).Select(Working), Silent(12, since: 930)]));
        Assert.Equal((NeedKind.Stopped, 2, 850_000L), (need.Kind, need.Person, need.Since));
        Assert.Equal((10, 10), (need.Others, need.Of));
    }

    [Fact]
    public void Nobody_has_stopped_while_the_whole_class_does_nothing_nor_for_what_came_before_it_went_on()
    {
        Student[] all = [.. Enumerable.Range(2, 10).Select(n => Silent(n, since: 850))];
        Assert.Equal(Now * 1_000, NeedsMe.LullUntil(0, all, Now * 1_000));
        Assert.Empty(NeedsMe.Of(At(all) with { LullUntil = Now * 1_000 }));
        Student[] restarted = [Silent(2, since: 850), .. Enumerable.Range(3, 9).Select(Working)];
        Assert.Equal(970_000, NeedsMe.LullUntil(970_000, restarted, Now * 1_000));
        Assert.Empty(NeedsMe.Of(At(restarted) with { LullUntil = 970_000 }));
        Assert.Single(NeedsMe.Of(At(restarted) with { LullUntil = 880_000 }));
    }

    [Fact]
    public void Who_has_paused_for_long_before_and_went_on_is_given_longer()
    {
        var thinker = Rhythm((100, 1), (220, 2), (230, 3), (870, 3));
        Assert.Equal(640_000, thinker.LongestPause);
        Assert.Equal(240_000, NeedsMe.SilenceOf(thinker, 105_000));
        Assert.Equal(138_000, NeedsMe.SilenceOf(Rhythm((100, 1), (220, 2)), 105_000));
        Assert.Equal(105_000, NeedsMe.SilenceOf(Rhythm((100, 1), (120, 2)), 105_000));
        Student[] others = [.. Enumerable.Range(3, 9).Select(Working)];
        Assert.Empty(Needs([Working(2) with { Pace = Rhythm((600, 1), (720, 2), (880, 3)) }, .. others]));
    }

    [Fact]
    public void Whose_pen_is_down_is_not_idle_and_a_pause_that_is_over_counts_for_nothing()
    {
        Student[] others = [.. Enumerable.Range(3, 9).Select(Working)];
        Student Paused(long? until) => Silent(2, since: 850) with { Person = new(2, 0, PensDownUntil: until) };
        Assert.Empty(Needs([Paused(HoldPens.UntilSaid), .. others]));
        Assert.Empty(Needs([Paused((Now + 60) * 1_000), .. others]));
        Assert.Empty(Needs([Paused((Now - 60) * 1_000), .. others]));
        Assert.Single(Needs([Paused(null), .. others]));
    }

    [Fact]
    public void A_pause_in_which_nobody_could_write_does_not_count_as_thinking()
    {
        var pace = Pace.Unknown.Seen(100_000, 1, 0, 100_000).Seen(400_000, 2, 300_000, 400_000);
        Assert.Equal(0, pace.LongestPause);
    }

    [Fact]
    public void Who_waits_for_the_teacher_or_is_done_or_cannot_write_is_not_idle()
    {
        Student[] others = [.. Enumerable.Range(3, 9).Select(Working)];
        var silent = Silent(2, since: 600);
        Assert.DoesNotContain(Needs([silent with { Person = silent.Person with { HandUpAt = 900_000 } }, .. others]), n => n.Kind == NeedKind.Stopped);
        Assert.Empty(Needs([silent with { Person = silent.Person with { HandedInAt = 900_000 } }, .. others]));
        Assert.Empty(NeedsMe.Of(At(silent, others) with { MayWrite = false }));
        Assert.Empty(Needs([silent with { OpenSince = 950_000 }, .. others]));
        Assert.Empty(Needs([silent with { Pace = null }, .. others]));
        Assert.Empty(NeedsMe.Of(At(silent, others) with { Visits = new Dictionary<int, LastVisit> { [2] = new(2, 950_000) } }));
        Assert.Empty(NeedsMe.Of(At(silent, others) with { Settings = NeedsSettings.Usual with { StoppedAfter = 0 } }));
    }

    [Fact]
    public void Who_has_not_begun_is_listed_while_others_have()
    {
        Student[] others = [.. Enumerable.Range(3, 9).Select(Working)];
        var need = Assert.Single(Needs([Working(2) with { Pace = Pace.Unknown, OpenSince = 700_000 }, .. others]));
        Assert.Equal((NeedKind.NotStarted, 700_000L, 9, 9), (need.Kind, need.Since, need.Others, need.Of));
    }

    [Fact]
    public void Who_writes_and_takes_away_and_gets_nowhere_goes_in_circles_and_who_revises_does_not()
    {
        Student[] others = [.. Enumerable.Range(3, 9).Select(Working)];
        var circling = Pace.Unknown;
        var revising = Pace.Unknown;
        for (var second = 880; second <= Now; second += 5)
        {
            circling = circling.Seen(second * 1_000, 10 + (second / 5 % 2), 0, second * 1_000);
            revising = revising.Seen(second * 1_000, second < 910 ? 10 - (second - 880) / 5 : (second - 880) / 5, 0, second * 1_000);
        }

        Assert.Equal(NeedKind.InCircles, Assert.Single(Needs([Working(2) with { Pace = circling }, .. others])).Kind);
        Assert.Empty(Needs([Working(2) with { Pace = revising }, .. others]));
        var done = new Dictionary<(int Person, NeedKind Kind), AnsweredNeed> { [(2, NeedKind.InCircles)] = new(2, NeedKind.InCircles, 990_000, null) };
        Assert.Empty(NeedsMe.Of(At(Working(2) with { Pace = circling }, others) with { Answered = done }));
    }

    [Fact]
    public void Who_is_on_another_page_than_nearly_everybody_is_listed_after_a_while_and_not_where_the_class_is_spread()
    {
        Student[] others = [.. Enumerable.Range(3, 9).Select(n => Working(n) with { Page = 1 })];
        var away = Working(2) with { Page = 2, PageSince = 700_000 };
        Assert.Equal(NeedKind.OtherPage, Assert.Single(Needs([away, .. others])).Kind);
        Assert.Empty(Needs([away with { PageSince = 900_000 }, .. others]));
        Assert.Empty(Needs([away, .. others.Take(5), .. others.Skip(5).Select(s => s with { Page = 3, PageSince = 0 })]));
    }

    [Fact]
    public void Whose_device_is_gone_is_listed_and_when_it_is_back_for_a_while()
    {
        Assert.Equal(NeedKind.Offline, Assert.Single(Needs(Silent(2, since: 100) with { Contact = new(false, 900_000) })).Kind);
        Assert.Empty(Needs(Silent(2, since: 100) with { Contact = new(false, 970_000) }));
        Assert.Empty(Needs(Silent(2, since: 100) with { Contact = new(false, 100_000) }));
        Assert.Equal(NeedKind.CameBack, Assert.Single(Needs(Working(2) with { Contact = new(true, 980_000, 90_000) })).Kind);
        Assert.Empty(Needs(Working(2) with { Contact = new(true, 980_000, 20_000) }));
        Assert.Empty(Needs(Working(2) with { Contact = new(true, 800_000, 90_000) }));

        // Who was not here has not been idle.
        Assert.Equal(NeedKind.CameBack, Assert.Single(Needs([Silent(2, since: 100) with { Contact = new(true, 980_000, 90_000) }, .. Enumerable.Range(3, 9).Select(Working)])).Kind);
    }

    [Fact]
    public void What_is_put_off_comes_again_when_its_time_is_over_and_what_is_done_when_it_begins_anew()
    {
        var hand = Working(2) with { Person = new(2, 0, HandUpAt: 800_000) };
        ClassNow Answered(long at, long? until) => At(hand) with { Answered = new Dictionary<(int Person, NeedKind Kind), AnsweredNeed> { [(2, NeedKind.Hand)] = new(2, NeedKind.Hand, at, until) } };
        Assert.Empty(NeedsMe.Of(Answered(900_000, 1_100_000)));
        Assert.Single(NeedsMe.Of(Answered(600_000, 990_000)));
        Assert.Empty(NeedsMe.Of(Answered(900_000, null)));
        Assert.Single(NeedsMe.Of(Answered(700_000, null)));
    }

    [Fact]
    public void Alone_or_with_few_nobody_can_be_compared_and_is_given_twice_as_long()
    {
        Assert.Empty(Needs(Silent(2, since: 850), Working(3)));
        Assert.Equal(NeedKind.Stopped, Assert.Single(Needs(Silent(2, since: 780), Working(3))).Kind);
    }

    [Fact]
    public void Work_that_waits_is_listed_with_where_it_waits()
    {
        var board = Guid.NewGuid();
        var need = Assert.Single(NeedsMe.Of(At(Working(2)) with { Waiting = [new(board, 2, 3), new(board, 3, 0)] }));
        Assert.Equal((NeedKind.LateWork, 2, 3, board), (need.Kind, need.Person, need.Count, need.Board));
    }

    private static Pace Rhythm(params (int Second, int Size)[] acts) => acts.Aggregate(Pace.Unknown, (pace, act) => pace.Seen(act.Second * 1_000, act.Size, 0, act.Second * 1_000));

    private static Student Working(int number) => Silent(number, since: Now - 10);

    private static Student Silent(int number, int since) => new(new Person(number, 0), s_here, Rhythm((since - 20, 1), (since, 2)), 0, 0, 0);

    private static ClassNow At(Student first, params ReadOnlySpan<Student> others) => At([first, .. others]);

    private static ClassNow At(Student[] students) =>
        new(students, MayWrite: true, NeedsSettings.Usual, new Dictionary<(int Person, NeedKind Kind), AnsweredNeed>(), new Dictionary<int, LastVisit>(), [], 0, Now * 1_000, []);

    private static ImmutableArray<Need> Needs(params Student[] students) => NeedsMe.Of(At(students));
}
