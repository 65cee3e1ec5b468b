using Yardang.Core.ClassLists;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;

namespace Yardang.Core.Tests.Lessons;

public class LessonTests
{
    private static readonly Actor s_maya = new(2, Role.Student);
    private readonly Lesson _lesson = new();

    public LessonTests()
    {
        Do(Actor.Program, new OpenLesson());
        Do(Actor.Program, new Join());
        Do(Actor.Program, new Join());
    }

    [Fact]
    public void People_get_numbers_in_the_order_of_joining() => Assert.Equal([2, 3], _lesson.People.Keys);

    [Fact]
    public void A_closed_door_turns_newcomers_away()
    {
        Do(Actor.Owner, new SetDoor(Door.Closed));
        Assert.Equal(Refusal.NotAllowed, RefusalOf(Actor.Program, new Join()));
    }

    [Fact]
    public void A_hand_goes_up_for_its_owner_only_and_the_teacher_can_lower_it()
    {
        Assert.Equal(Refusal.NotYours, RefusalOf(s_maya, new GiveSignal(3, Signal.HandUp, true)));
        Do(s_maya, new GiveSignal(2, Signal.HandUp, true));
        Assert.NotNull(_lesson.People[2].HandUpAt);
        Do(Actor.Owner, new GiveSignal(2, Signal.HandUp, false));
        Assert.Null(_lesson.People[2].HandUpAt);
    }

    [Fact]
    public void Other_students_are_not_told_of_a_raised_hand()
    {
        var accepted = Assert.IsType<Decision.Accepted>(Decide(s_maya, new GiveSignal(2, Signal.HandUp, true)));
        Assert.Equal(Audience.NamedAndStaff, accepted.Audience);
    }

    [Fact]
    public void Students_cannot_set_pens_door_or_close()
    {
        foreach (var command in new Command[] { new SetPens(true), new SetDoor(Door.Open), new CloseLesson(), new ReopenLesson(), new Join() })
        {
            Assert.Equal(Refusal.NotAllowed, RefusalOf(s_maya, command));
        }
    }

    [Fact]
    public void Pens_down_is_confirmed_only_after_the_boards_have()
    {
        Do(Actor.Owner, new SetPens(true));
        Assert.Null(_lesson.PensConfirmedOn);
        Do(Actor.Program, new ConfirmPens(true, 24));
        Assert.Equal(24, _lesson.PensConfirmedOn);
        Do(Actor.Owner, new SetPens(false));
        Assert.Equal(Refusal.ChangedSince, RefusalOf(Actor.Program, new ConfirmPens(true, 24)));
    }

    [Fact]
    public void A_closed_lesson_lets_nobody_in_and_can_go_on_later()
    {
        Do(Actor.Owner, new CloseLesson());
        Assert.False(_lesson.Allowed.StudentsMayWrite);
        Assert.Equal(Refusal.Closed, RefusalOf(Actor.Program, new Join()));
        Do(Actor.Owner, new ReopenLesson());
        Assert.True(_lesson.Allowed.StudentsMayWrite);
    }

    [Theory]
    [InlineData("bcdf ghjk", "BCDFGHJK")]
    [InlineData("BCDF-GHJK", "BCDFGHJK")]
    [InlineData("BCDFGHJ", null)]
    [InlineData("ABCDEFGH", null)]
    [InlineData("", null)]
    [InlineData(null, null)]
    public void A_code_is_read_however_it_was_typed(string? typed, string? code) => Assert.Equal(code, JoinCode.Read(typed)?.Text);

    [Theory]
    [InlineData("bcdf ohji", "OI")]
    [InlineData("O000-HJKK", "O0")]
    [InlineData("bcdf ghjk", "")]
    [InlineData("bridges-7-amber", "")]
    [InlineData("bcdo", "")]
    [InlineData(null, "")]
    public void Of_something_as_long_as_a_code_it_is_known_what_was_misread(string? typed, string misread) => Assert.Equal(misread, JoinCode.NeverIn(typed));

    [Theory]
    [InlineData("  Maya   Okafor ", "Maya Okafor")]
    [InlineData("Zoë", "Zoë")]
    [InlineData("\u0000\u200f", null)]
    [InlineData("   ", null)]
    public void A_name_is_tidied(string typed, string? name) => Assert.Equal(name, PersonName.Read(typed));

    [Fact]
    public void A_name_over_the_limit_is_not_a_name() => Assert.Null(PersonName.Read(new string('a', PersonName.MaxLength + 1)));

    [Fact]
    public void Two_of_the_same_name_are_told_apart() => Assert.Equal(["Maya", "Ben", "maya (2)"], PersonName.ToldApart(["Maya", "Ben", "maya"]));

    private Decision Decide(Actor actor, Command command)
    {
        if (actor.Role == Role.Program) return _lesson.Decide(Submission.ByProgram(command), actor, Situation.Open);
        if (!_lesson.Clients.Any(c => c.Value.Actor == actor.Number))
        {
            Take(actor, _lesson.Decide(new Submission(0, 0, 0, 0, new AdmitClient()), actor, Situation.Open), 0, 0);
        }

        var (client, record) = _lesson.Clients.First(c => c.Value.Actor == actor.Number);
        return _lesson.Decide(new Submission(client, record.HighWater + 1, record.HighWater, 0, command), actor, Situation.Open);
    }

    private void Do(Actor actor, Command command)
    {
        var decision = Decide(actor, command);
        var (client, record) = _lesson.Clients.FirstOrDefault(c => c.Value.Actor == actor.Number);
        Take(actor, decision, client, record.HighWater + 1);
    }

    private void Take(Actor actor, Decision decision, int client, int counter)
    {
        var accepted = Assert.IsType<Decision.Accepted>(decision);
        _lesson.Apply(new Envelope(_lesson.Number + 1, 5_000 + _lesson.Number, actor, client, client == 0 ? 0 : counter, 0, accepted.Audience, accepted.Event));
    }

    private Refusal RefusalOf(Actor actor, Command command) => Assert.IsType<Decision.Refused>(Decide(actor, command)).Reason;
}
