using CsCheck;
using Yardang.Core.ClassLists;

namespace Yardang.Core.Tests.ClassLists;

/// <summary>Who sits where.</summary>
public class SeatingPlanTests
{
    [Fact]
    public void Everybody_is_seated_row_by_row_from_the_front()
    {
        var plan = SeatingPlan.Filled(2, 3, [1, 2, 3, 4, 9]);
        Assert.Equal(new Seat(1, 1), plan.Seats[1]);
        Assert.Equal(new Seat(2, 1), plan.Seats[4]);
        Assert.Equal(new Seat(2, 2), plan.Seats[9]);
    }

    [Fact]
    public void Who_comes_when_all_seats_are_taken_stands() => Assert.Equal([1, 2], SeatingPlan.Filled(1, 2, [1, 2, 3]).Seats.Keys);

    [Fact]
    public void Written_and_read_it_is_the_same() => Gen.Select(Gen.Int[1, 12], Gen.Int[1, 12], Gen.Int[0, 150]).Sample((rows, columns, people) =>
    {
        var text = SeatingPlan.Filled(rows, columns, Enumerable.Range(1, people)).Write();
        return SeatingPlan.Read(text)!.Write() == text;
    });

    [Theory]
    [InlineData("")]
    [InlineData("4")]
    [InlineData("13x2")]
    [InlineData("2x2;1:3,1")]
    [InlineData("2x2;1:1,0")]
    [InlineData("2x2;1:1,1;2:1,1")]
    [InlineData("2x2;1:1,1;1:1,2")]
    [InlineData("2x2;one:1,1")]
    public void A_plan_with_two_on_a_seat_or_a_seat_that_is_not_there_is_none(string text) => Assert.Null(SeatingPlan.Read(text));
}
