using System.Collections.Immutable;
using CsCheck;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.Wire;

namespace Yardang.Core.Tests.Lessons;

public class GroupsTests
{
    private readonly LessonScript _script = new(people: 4);

    private static Group GroupOf(int number, params int[] people) => new(number, $"Group {number}", [.. people]);

    private Decision Set(params Group[] groups) => _script.Do(new SetGroups([.. groups], _script.Lesson.GroupingVersion), Actor.Owner);

    [Fact]
    public void Who_is_in_a_group_is_in_no_other()
    {
        Assert.IsType<Decision.Accepted>(Set(GroupOf(1, 2, 3), GroupOf(2, 4)));
        Assert.Equal(Refusal.Duplicate, Assert.IsType<Decision.Refused>(Set(GroupOf(1, 2, 3), GroupOf(2, 3))).Reason);
        Assert.Equal(1, _script.Lesson.Grouping.Of(3)!.Number);
        Assert.Null(_script.Lesson.Grouping.Of(5));
    }

    [Fact]
    public void A_student_makes_no_groups() =>
        Assert.Equal(Refusal.NotAllowed, Assert.IsType<Decision.Refused>(_script.Do(new SetGroups([GroupOf(1, 2)], 0), new Actor(2, Role.Student))).Reason);

    [Fact]
    public void Two_teachers_do_not_overwrite_each_others_groups_unseen()
    {
        Set(GroupOf(1, 2, 3));
        Assert.Equal(Refusal.ChangedSince, Assert.IsType<Decision.Refused>(_script.Do(new SetGroups([GroupOf(1, 4)], 0), Actor.Owner)).Reason);
        Assert.Equal([2, 3], _script.Lesson.Grouping.Now[0].People);
    }

    [Fact]
    public void Dissolving_groups_can_be_taken_back_and_done_again()
    {
        Set(GroupOf(1, 2, 3), GroupOf(2, 4, 5));
        var before = _script.Lesson.Grouping.Now;
        Set();
        Assert.Empty(_script.Lesson.Grouping.Now);
        _script.Do(new UndoGroups(), Actor.Owner);
        Assert.Equal(before.AsEnumerable(), _script.Lesson.Grouping.Now);
        _script.Do(new RedoGroups(), Actor.Owner);
        Assert.Empty(_script.Lesson.Grouping.Now);
        Assert.Equal(Refusal.NothingToUndo, Assert.IsType<Decision.Refused>(_script.Do(new RedoGroups(), Actor.Owner)).Reason);
    }

    [Fact]
    public void A_removed_student_does_not_come_back_into_a_group_by_undo()
    {
        Set(GroupOf(1, 2, 3));
        Set(GroupOf(1, 2), GroupOf(2, 3));
        _script.Do(new RemovePerson(3), Actor.Owner);
        _script.Do(new UndoGroups(), Actor.Owner);
        Assert.Equal([2], _script.Lesson.Grouping.Now[0].People);
    }

    [Fact]
    public void The_number_of_a_dissolved_group_is_not_given_again()
    {
        Set(GroupOf(1, 2), GroupOf(2, 3));
        Set();
        Assert.Equal(2, _script.Lesson.Grouping.Used);
        _script.Do(new UndoGroups(), Actor.Owner);
        _script.Do(new UndoGroups(), Actor.Owner);
        Assert.Equal(2, _script.Lesson.Grouping.Used);
    }

    [Theory]
    [InlineData("")]
    [InlineData("A name that nobody would like to read on a small tile")]
    public void A_group_needs_a_name_that_can_be_read(string name) =>
        Assert.Equal(Refusal.OutOfRange, Assert.IsType<Decision.Refused>(Set(new Group(1, name, [2]))).Reason);

    [Fact]
    public void Groups_can_be_made_of_people_who_have_not_come_yet()
    {
        var script = new LessonScript(people: 0);
        script.Do(new ExpectPeople(3), Actor.Program);
        Assert.IsType<Decision.Accepted>(script.Do(new SetGroups([GroupOf(1, 2, 4)], 0), Actor.Owner));
        Assert.IsType<PersonJoined>(Assert.IsType<Decision.Accepted>(script.Do(new Join(4), Actor.Program)).Event);
        Assert.Equal(1, script.Lesson.Grouping.Of(4)!.Number);
        Assert.Equal(Refusal.Duplicate, Assert.IsType<Decision.Refused>(script.Do(new Join(4), Actor.Program)).Reason);
    }

    private static readonly Gen<Command> s_commands = Gen.OneOf<Command>(
        Gen.Int[2, 6].Array[0, 4].Select(people => (Command)new SetGroups([GroupOf(1, [.. people.Distinct()])], -1)),
        Gen.Int[2, 6].Select(p => (Command)new SetGroups([GroupOf(1), GroupOf(2, p)], -1)),
        Gen.Const((Command)new UndoGroups()), Gen.Const((Command)new RedoGroups()),
        Gen.Int[2, 6].Select(p => (Command)new RemovePerson(p)), Gen.Int[2, 6].Select(p => (Command)new Join(p)), Gen.Int[2, 6].Select(p => (Command)new AdmitPerson(p)));

    [Fact]
    public void Undo_then_redo_changes_no_group_and_a_snapshot_knows_all_of_it() => s_commands.Array[0, 25].Sample(commands =>
    {
        var script = new LessonScript(people: 5);
        foreach (var command in commands) script.Do(command is SetGroups set ? set with { Version = script.Lesson.GroupingVersion } : command, command is Join ? Actor.Program : Actor.Owner);

        var restored = new Lesson();
        Assert.True(SnapshotCodec.Restore(SnapshotCodec.Encode(script.Lesson, Actor.Program), restored));
        Assert.Equal(SnapshotCodec.Encode(script.Lesson, Actor.Program), SnapshotCodec.Encode(restored, Actor.Program));
        var replayed = new Lesson();
        foreach (var envelope in script.Log) replayed.Apply(EventCodec.Decode(EventCodec.Encode(envelope)));
        Assert.Equal(SnapshotCodec.Encode(script.Lesson, Actor.Program), SnapshotCodec.Encode(replayed, Actor.Program));

        var people = script.Lesson.Grouping.Now.SelectMany(g => g.People).ToList();
        Assert.Equal(people.Count, people.Distinct().Count());
        Assert.All(people, p => Assert.True(script.Lesson.People[p].Belongs));
        var before = script.Lesson.Grouping;
        if (script.Do(new UndoGroups(), Actor.Owner) is not Decision.Accepted) return;
        script.Do(new RedoGroups(), Actor.Owner);
        Assert.Equal(before.Now.AsEnumerable(), script.Lesson.Grouping.Now);
    });
}
