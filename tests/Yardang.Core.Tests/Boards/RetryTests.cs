using CsCheck;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Boards;

public class RetryTests
{
    [Fact]
    public void Commands_that_come_again_in_any_order_count_once_and_in_their_order() =>
        Gen.Int[0, 9].Array[0, 200].Sample(arrivals =>
        {
            var board = new BoardScript();
            var client = Ids.ClientOf(board.NextId(Maya));
            var commands = Enumerable.Range(1, 10).Select(n =>
                new Submission(client, n, n - 1, 0, new AddMark(Ids.Of(client, n), 1, Grip.Own, Line(0, 0, n * 100, 0), new Style(0, 80)))).ToList();

            // Whatever order the network gave them, everything arrives in order in the end.
            foreach (var n in arrivals.Concat(Enumerable.Range(0, 10)))
            {
                var decision = board.Board.Decide(commands[n], Maya, Conditions.Open);
                if (decision is Decision.Accepted accepted)
                {
                    board.Board.Apply(new Envelope(board.Board.Number + 1, 0, Maya, client, n + 1, 0, accepted.Audience, accepted.Event));
                }
            }

            var marks = board.Board.Sheets.Visible(1).Where(m => m.Author == Maya.Number).Select(m => m.Id);
            Assert.Equal(commands.Select(c => ((AddMark)c.Command).Id), marks);
        });

    [Fact]
    public void A_gap_is_refused_with_the_number_after_which_to_resend()
    {
        var board = new BoardScript();
        board.Draw(Maya);
        var client = Ids.ClientOf(board.NextId(Maya));
        var refused = Assert.IsType<Decision.Refused>(board.Board.Decide(new Submission(client, 3, 2, 0, new UndoGesture(1)), Maya, Conditions.Open));
        Assert.Equal((Refusal.Resend, 1), (refused.Reason, refused.Number));
    }
}
