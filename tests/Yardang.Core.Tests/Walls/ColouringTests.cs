using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>A card has the colour of its topic unless its author says otherwise.</summary>
public class ColouringTests
{
    [Fact]
    public void Its_author_and_teachers_colour_a_card_and_a_classmate_does_not()
    {
        var wall = new WallScript();
        var card = wall.PutUp(Maya, "arches push");
        Assert.Equal(0, wall.Wall.Cards[card].Colour);
        wall.Do(Maya, new ColourCard(card, 3));
        Assert.Equal(3, wall.Wall.Cards[card].Colour);
        Refused(Refusal.NotYours, wall.Do(Ben, new ColourCard(card, 4)));
        Refused(Refusal.OutOfRange, wall.Do(Maya, new ColourCard(card, 13)));
        Refused(Refusal.OutOfRange, wall.Do(Maya, new ColourCard(card, -1)));
        Refused(Refusal.ChangedSince, wall.Do(Maya, new ColourCard(card, 3)));
        Refused(Refusal.NotFound, wall.Do(Maya, new ColourCard(99, 3)));
        wall.Do(Teacher, new ColourCard(card, 12));
        wall.Do(Maya, new MoveCard(card, 12, 1));
        Assert.Equal(12, wall.Wall.Cards[card].Colour);
        wall.Do(Maya, new ColourCard(card, 0));
        Assert.Equal(0, wall.Wall.Cards[card].Colour);
    }

    [Fact]
    public void While_each_sees_only_their_own_a_colour_is_told_to_the_author_and_teachers()
    {
        var wall = new WallScript(new(OwnFirst: true));
        var card = wall.PutUp(Maya, "arches push");
        Assert.Equal(Audience.NamedAndStaff, Assert.IsType<Decision.Accepted>(wall.Do(Maya, new ColourCard(card, 3))).Audience);
    }

    private static void Refused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);
}
