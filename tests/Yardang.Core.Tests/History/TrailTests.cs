using Yardang.Core.History;

namespace Yardang.Core.Tests.History;

/// <summary>What somebody did, from board to board.</summary>
public class TrailTests
{
    private static readonly Guid s_board = Guid.Parse("00000000-0000-0000-0000-000000000001");
    private static readonly Guid s_wall = Guid.Parse("00000000-0000-0000-0000-000000000002");

    [Fact]
    public void What_was_done_in_turns_on_two_boards_stands_in_the_order_in_which_it_was_done()
    {
        var trail = Trail.Of([At(s_wall, 1, 20), At(s_board, 1, 10), At(s_board, 2, 30), At(s_board, 3, 40)]);
        Assert.Equal([(s_board, 1), (s_wall, 1), (s_board, 2)], trail.Stretches.Select(s => (s.Room, s.Steps.Length)));
        Assert.Equal((30_000, 40_000), (trail.Stretches[2].From, trail.Stretches[2].To));
        Assert.Equal(0, trail.LeftOut);
    }

    [Fact]
    public void After_a_long_rest_another_stretch_begins()
    {
        var trail = Trail.Of([At(s_board, 1, 0), At(s_board, 2, 300), At(s_board, 3, 601)]);
        Assert.Equal([2, 1], trail.Stretches.Select(s => s.Steps.Length));
    }

    [Fact]
    public void Of_too_many_steps_the_earliest_are_left_out_and_it_is_said()
    {
        var trail = Trail.Of(Enumerable.Range(1, Trail.Most + 7).Select(n => At(s_board, n, n)));
        Assert.Equal(7, trail.LeftOut);
        Assert.Equal(Trail.Most, trail.Stretches.Sum(s => s.Steps.Length));
        Assert.Equal(8, trail.Stretches[0].Steps[0].Line.Number);
    }

    [Fact]
    public void Who_did_nothing_has_none() => Assert.Empty(Trail.Of([]).Stretches);

    private static TrailStep At(Guid room, long number, long second) => new(room, new LogLine(number, second * 1_000, 2, ByStaff: false, Doing.Drew, 0, [], ""), "");
}
