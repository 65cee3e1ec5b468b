using Yardang.Core.Editing;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Visibility;

namespace Yardang.Core.Tests.Lessons;

public class DoorTests
{
    private readonly LessonScript _script = new(people: 1);

    private Refusal ReasonOf(Command command, Actor actor) => Assert.IsType<Decision.Refused>(_script.Do(command, actor)).Reason;

    private RoomEvent EventOf(Command command, Actor actor) => Assert.IsType<Decision.Accepted>(_script.Do(command, actor)).Event;

    [Fact]
    public void Who_asks_is_in_only_when_the_teacher_lets_them_in()
    {
        _script.Do(new SetDoor(Door.Ask), Actor.Owner);
        Assert.Equal(new PersonAsked(3), EventOf(new Join(), Actor.Program));
        Assert.Equal(Refusal.NotFound, ReasonOf(new GiveSignal(3, Signal.HandUp, true), new Actor(3, Role.Student)));
        Assert.Equal(new PersonAdmitted(3), EventOf(new AdmitPerson(3), Actor.Owner));
        Assert.Equal(Standing.In, _script.Lesson.People[3].Standing);
        Assert.Equal(Refusal.ChangedSince, ReasonOf(new AdmitPerson(3), Actor.Owner));
    }

    [Fact]
    public void Who_was_turned_away_may_ask_again_also_at_an_open_door()
    {
        _script.Do(new SetDoor(Door.Ask), Actor.Owner);
        _script.Do(new Join(), Actor.Program);
        _script.Do(new TurnAway(3), Actor.Owner);
        _script.Do(new SetDoor(Door.Open), Actor.Owner);
        Assert.Equal(new PersonAsked(3), EventOf(new Join(3), Actor.Program));
    }

    [Fact]
    public void Who_was_removed_comes_back_only_if_let_in()
    {
        _script.Do(new RemovePerson(2), Actor.Owner);
        Assert.Equal(Refusal.NotFound, ReasonOf(new GiveSignal(2, Signal.HandUp, true), new Actor(2, Role.Student)));
        Assert.Equal(new PersonAsked(2), EventOf(new Join(2), Actor.Program));
        _script.Do(new AdmitPerson(2), Actor.Owner);
        Assert.Equal(Standing.In, _script.Lesson.People[2].Standing);
    }

    [Fact]
    public void A_teacher_lets_back_in_whom_they_took_out_or_turned_away_without_being_asked_also_through_a_closed_door()
    {
        _script.Do(new RemovePerson(2), Actor.Owner);
        _script.Do(new SetDoor(Door.Ask), Actor.Owner);
        _script.Do(new Join(), Actor.Program);
        _script.Do(new TurnAway(3), Actor.Owner);
        _script.Do(new SetDoor(Door.Closed), Actor.Owner);
        Assert.Equal(new PersonAdmitted(2), EventOf(new AdmitPerson(2), Actor.Owner));
        Assert.Equal(new PersonAdmitted(3), EventOf(new AdmitPerson(3), Actor.Owner));
        Assert.All(_script.Lesson.People.Values, p => Assert.Equal(Standing.In, p.Standing));
        Assert.Equal(Refusal.NotFound, ReasonOf(new AdmitPerson(9), Actor.Owner));
    }

    [Fact]
    public void A_closed_door_lets_nobody_in_not_even_those_who_are_expected()
    {
        _script.Do(new ExpectPeople(2), Actor.Program);
        _script.Do(new SetDoor(Door.Closed), Actor.Owner);
        Assert.Equal(Refusal.NotAllowed, ReasonOf(new Join(3), Actor.Program));
    }

    [Fact]
    public void Students_admit_remove_and_mask_nobody()
    {
        var maya = new Actor(2, Role.Student);
        foreach (var command in new Command[] { new AdmitPerson(2), new TurnAway(2), new RemovePerson(2), new MaskNames(true), new SetSight(true, true), new UndoGroups() })
        {
            Assert.Equal(Refusal.NotAllowed, ReasonOf(command, maya));
        }
    }

    [Fact]
    public void Who_only_looks_changes_nothing() =>
        Assert.Equal(Refusal.NotAllowed, ReasonOf(new SetPens(true), Actor.Owner with { LooksOnly = true }));

    [Fact]
    public void More_newcomers_in_a_row_than_a_class_has_are_a_flood_and_those_on_the_list_are_none()
    {
        var script = new LessonScript(people: 0);
        script.Do(new ExpectPeople(100), Actor.Program);
        for (var n = 2; n < 90; n++) script.Do(new Join(n), Actor.Program);
        Assert.Null(Flood.Among(script.Lesson.People.Values));
        for (var i = 0; i <= Flood.Many; i++) script.Do(new Join(), Actor.Program);
        var flood = Flood.Among(script.Lesson.People.Values)!;
        Assert.Equal(Flood.Many + 1, flood.People.Count);
        Assert.All(flood.People, n => Assert.False(script.Lesson.People[n].IsListed));
    }

    [Fact]
    public void A_flood_is_sent_away_in_one_act_the_door_is_closed_and_there_is_room_again()
    {
        var script = new LessonScript(people: Limits.People);
        Assert.Equal(Refusal.Full, Assert.IsType<Decision.Refused>(script.Do(new Join(), Actor.Program)).Reason);
        var flood = Flood.Among(script.Lesson.People.Values)!;
        Assert.IsType<Decision.Accepted>(script.Do(new SendAway([.. flood.People.Skip(3)]), Actor.Owner));
        Assert.Equal(3, script.Lesson.People.Values.Count(p => p.Standing == Standing.In));
        Assert.Equal(Door.Closed, script.Lesson.Door);
        script.Do(new SetDoor(Door.Open), Actor.Owner);
        Assert.IsType<Decision.Accepted>(script.Do(new Join(), Actor.Program));
        Assert.Equal(Refusal.NotAllowed, Assert.IsType<Decision.Refused>(script.Do(new SendAway([2]), new Actor(3, Role.Student))).Reason);
    }

    [Fact]
    public void Nobody_on_the_class_list_is_sent_away_with_a_flood()
    {
        var script = new LessonScript(people: 2);
        script.Do(new ExpectPeople(1), Actor.Program);
        script.Do(new Join(4), Actor.Program);
        Assert.Equal(Refusal.ChangedSince, Assert.IsType<Decision.Refused>(script.Do(new SendAway([2, 4]), Actor.Owner)).Reason);
        Assert.Equal(Standing.In, script.Lesson.People[2].Standing);
    }

    [Fact]
    public void What_arrives_from_somebody_who_has_left_the_board_is_set_aside_and_they_hear_of_nothing_else()
    {
        var script = new BoardScript();
        var gone = BoardScript.Maya with { HasLeft = true };
        var ink = new AddMark(script.NextId(gone), 1, Grip.Own, BoardScript.Line(0, 0, 900, 900), new Style(0, 80));
        var accepted = Assert.IsType<Decision.Accepted>(script.Do(gone, ink));
        Assert.IsType<WorkSetAside>(accepted.Event);
        Assert.True(Sight.Of(gone, Said(accepted, BoardScript.Maya)));
        Assert.False(Sight.Of(gone, Said(accepted, BoardScript.Ben)));
        Assert.False(Sight.Of(gone, Said(new Decision.Accepted(new LateWorkDiscarded(1)), Actor.Owner)));

        static Envelope Said(Decision.Accepted accepted, Actor by) => new(1, 0, by, 1, 1, 0, accepted.Audience, accepted.Event);
    }
}
