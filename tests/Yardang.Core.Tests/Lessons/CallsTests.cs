using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;

namespace Yardang.Core.Tests.Lessons;

/// <summary>What a teacher says to some of the class, where they are called and led, and what the others hear of it: nothing.</summary>
public class CallsTests
{
    private static readonly Actor s_maya = new(2, Role.Student);
    private static readonly Actor s_ben = new(3, Role.Student);
    private static readonly Spot s_page = new(1, SpotKind.Page, 2);

    private readonly LessonScript _script = new(people: 3);

    private Calls Calls => _script.Lesson.Calls;

    [Fact]
    public void Who_was_reached_and_who_has_read_is_known_of_each()
    {
        Do(new CallClass([], " Look at the arch ", s_page, false), Actor.Owner);
        Do(new ConfirmCall(1, false, ""), s_maya);
        Do(new ConfirmCall(1, true, ""), s_ben);
        Assert.Equal("Look at the arch", Calls.All[1].Words);
        Assert.Equal([2, 3], Calls.All[1].Reached);
        Assert.Equal([3], Calls.All[1].Read);
        Assert.Equal(Refusal.Duplicate, Refused(new ConfirmCall(1, false, ""), s_maya));
    }

    [Fact]
    public void What_is_said_to_some_the_others_do_not_hear_and_these_not_of_each_other()
    {
        Do(new CallClass([2, 3], "You two, come to me", null, false), Actor.Owner);
        var carl = new Actor(4, Role.Student);
        Assert.DoesNotContain(_script.Log, e => e.Event is ClassCalled && Sight.Of(carl, e));
        Assert.Empty(((LessonSnapshot)Snapshots.Of(_script.Lesson, carl)).Calls);
        var told = (ClassCalled)Sight.AsTold(s_maya, _script.Log[^1]).Event;
        Assert.Equal([2], told.People);
        Do(new ConfirmCall(1, true, ""), s_ben);
        Assert.False(Sight.Of(s_maya, _script.Log[^1]));
        var known = Assert.Single(((LessonSnapshot)Snapshots.Of(_script.Lesson, s_maya)).Calls);
        Assert.Equal([2], known.People);
        Assert.Empty(known.Read);
        Assert.Equal(Refusal.NotFound, Refused(new ConfirmCall(1, true, ""), carl));
    }

    [Fact]
    public void A_line_can_be_answered_once_by_whom_it_was_said_to_and_only_teachers_read_it()
    {
        Do(new CallClass([2, 3], "Is the deck finished?", null, false), Actor.Owner);
        Assert.Equal(Refusal.OutOfRange, Refused(new ConfirmCall(1, false, "yes"), s_maya));
        Assert.Equal(Refusal.OutOfRange, Refused(new ConfirmCall(1, true, new string('a', Call.WordsLength + 1)), s_maya));
        Do(new ConfirmCall(1, true, ""), s_maya);
        Do(new ConfirmCall(1, true, " nearly "), s_maya);
        Assert.Equal("nearly", Assert.Single(Calls.All[1].Answers).Words);
        Assert.False(Sight.Of(s_ben, _script.Log[^1]));
        Assert.Empty(Assert.Single(((LessonSnapshot)Snapshots.Of(_script.Lesson, s_ben)).Calls).Answers);
        Assert.Equal(Refusal.Duplicate, Refused(new ConfirmCall(1, true, "quite"), s_maya));
        Do(new CallClass([2], "", s_page, false), Actor.Owner);
        Assert.Equal(Refusal.OutOfRange, Refused(new ConfirmCall(2, true, "where?"), s_maya));
    }

    [Fact]
    public void One_call_leads_at_a_time_until_it_is_ended()
    {
        Do(new CallClass([2], "", s_page, true), Actor.Owner);
        Assert.Equal(Refusal.ChangedSince, Refused(new CallClass([], "", s_page, true), Actor.Owner));
        Do(new LeadOn(1, new Spot(1, SpotKind.Place, 2, 500, 700)), Actor.Owner);
        Assert.Equal(SpotKind.Place, Calls.Leading!.To!.Kind);
        Assert.Equal(Refusal.ChangedSince, Refused(new LeadOn(1, Calls.Leading.To), Actor.Owner));
        Do(new EndCall(1), Actor.Owner);
        Assert.Null(Calls.Leading);
        Assert.Equal(Refusal.ChangedSince, Refused(new LeadOn(1, s_page), Actor.Owner));
        Assert.Equal(Refusal.ChangedSince, Refused(new EndCall(1), Actor.Owner));
        Do(new CallClass([], "", s_page, true), Actor.Owner);
    }

    [Fact]
    public void Nobody_is_led_by_a_call_that_does_not_stay()
    {
        Do(new CallClass([], "", s_page, false), Actor.Owner);
        Assert.Equal(Refusal.NotFound, Refused(new LeadOn(1, new Spot(1, SpotKind.Page, 3)), Actor.Owner));
        Assert.Equal(Refusal.NotFound, Refused(new EndCall(9), Actor.Owner));
    }

    [Fact]
    public void A_call_says_something_short_or_leads_to_a_place_that_can_be()
    {
        Assert.Equal(Refusal.OutOfRange, Refused(new CallClass([], "  ", null, false), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new CallClass([], new string('a', Call.WordsLength + 1), null, false), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new CallClass([], "two\nlines", null, false), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new CallClass([], "stay", null, true), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new CallClass([], "", s_page with { Part = 7 }, false), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new CallClass([], "", new Spot(1, (SpotKind)9, 1), false), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new CallClass([], "", s_page with { X = 5 }, false), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new CallClass([], "", new Spot(1, SpotKind.Place, 1, -1, 0), false), Actor.Owner));
        Assert.Equal(Refusal.NotFound, Refused(new CallClass([9], "hello", null, false), Actor.Owner));
        Assert.Equal(Refusal.NotFound, Refused(new CallClass([2, 2], "hello", null, false), Actor.Owner));
    }

    [Fact]
    public void Students_call_and_lead_nobody_and_teachers_confirm_nothing()
    {
        Assert.Equal(Refusal.NotAllowed, Refused(new CallClass([], "hello", null, false), s_maya));
        Do(new CallClass([], "", s_page, true), Actor.Owner);
        Assert.Equal(Refusal.NotAllowed, Refused(new LeadOn(1, new Spot(1, SpotKind.Page, 3)), s_maya));
        Assert.Equal(Refusal.NotAllowed, Refused(new EndCall(1), s_maya));
        Assert.Equal(Refusal.NotAllowed, Refused(new ConfirmCall(1, true, ""), Actor.Owner));
        Do(new RemovePerson(2), Actor.Owner);
        Assert.Equal(Refusal.NotFound, Refused(new ConfirmCall(1, true, ""), s_maya));
    }

    [Fact]
    public void When_a_lesson_is_over_nobody_is_called_and_who_is_led_can_be_let_go()
    {
        Do(new CallClass([], "", s_page, true), Actor.Owner);
        Do(new CloseLesson(), Actor.Owner);
        Assert.Equal(Refusal.Closed, Refused(new CallClass([], "hello", null, false), Actor.Owner));
        Do(new EndCall(1), Actor.Owner);
    }

    private void Do(Command command, Actor actor) => Assert.IsType<Decision.Accepted>(_script.Do(command, actor));

    private Refusal Refused(Command command, Actor actor) => Assert.IsType<Decision.Refused>(_script.Do(command, actor)).Reason;
}
