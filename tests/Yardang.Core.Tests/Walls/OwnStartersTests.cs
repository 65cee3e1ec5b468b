using System.Collections.Immutable;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>Some students are told how sentences may begin; classmates are not told that.</summary>
public class OwnStartersTests
{
    private static readonly ImmutableArray<Texts> s_because = [Texts.In("en", "It stands because")];

    [Fact]
    public void Who_was_given_starters_has_them_and_no_classmate_hears_of_it()
    {
        var wall = new WallScript();
        wall.Do(Teacher, new GiveStarters(Maya.Number, s_because));
        Assert.Equal("It stands because", Assert.Single(Of(wall, Maya)).Starters[0].For("en"));
        Assert.Empty(Of(wall, Ben));
        Assert.DoesNotContain(wall.Log, e => e.Event is StartersGiven && Sight.Of(Ben, e));
        Assert.Single(Of(wall, Teacher));
        wall.Do(Teacher, new GiveStarters(Maya.Number, []));
        Assert.Empty(Of(wall, Maya));
    }

    [Fact]
    public void Only_teachers_give_them_and_only_such_as_plans_may_have()
    {
        var wall = new WallScript();
        Assert.Equal(Refusal.NotAllowed, Refused(wall, Maya, new GiveStarters(Maya.Number, s_because)));
        Assert.Equal(Refusal.OutOfRange, Refused(wall, Teacher, new GiveStarters(Teacher.Number, s_because)));
        Assert.Equal(Refusal.OutOfRange, Refused(wall, Teacher, new GiveStarters(Maya.Number, [Texts.None])));
        Assert.Equal(Refusal.OutOfRange, Refused(wall, Teacher, new GiveStarters(Maya.Number, [.. Enumerable.Repeat(s_because[0], WallRules.MostStarters + 1)])));
        Assert.Equal(Refusal.ChangedSince, Refused(wall, Teacher, new GiveStarters(Maya.Number, [])));
    }

    [Fact]
    public void Where_names_are_for_nobody_there_are_none_for_how_a_card_begins_would_tell_whose_it_is()
    {
        var wall = new WallScript();
        wall.Do(Teacher, new GiveStarters(Maya.Number, s_because));
        wall.Do(Teacher, new SetPlan(Plan(new(Names: NamesTo.Nobody))));
        Assert.Empty(wall.Wall.Starters.All);
        Assert.Equal(Refusal.NotAllowed, Refused(wall, Teacher, new GiveStarters(Maya.Number, s_because)));
    }

    private static Refusal Refused(WallScript wall, Actor actor, Command command) => Assert.IsType<Decision.Refused>(wall.Do(actor, command)).Reason;

    private static ImmutableArray<OwnStarters> Of(WallScript wall, Actor reader) => ((WallSnapshot)Snapshots.Of(wall.Wall, reader)).Starters;
}
