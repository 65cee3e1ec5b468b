using CsCheck;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.Wire;
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
                var decision = board.Board.Decide(commands[n], Maya, Situation.Open);
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
        var refused = Assert.IsType<Decision.Refused>(board.Board.Decide(new Submission(client, 3, 2, 0, new UndoGesture(1)), Maya, Situation.Open));
        Assert.Equal((Refusal.Resend, 1), (refused.Reason, refused.Number));
    }

    [Fact]
    public void Who_wastes_client_numbers_runs_out_of_them_alone()
    {
        var board = new Board(BoardScript.Content());
        Decision Admit(Actor actor)
        {
            var decision = board.Decide(new Submission(0, 0, 0, 0, new AdmitClient()), actor, Situation.Open);
            if (decision is Decision.Accepted accepted) board.Apply(new Envelope(board.Number + 1, 0, actor, 0, 0, 0, accepted.Audience, accepted.Event));
            return decision;
        }

        for (var i = 0; i < Limits.ClientsOfStudent; i++) Assert.IsType<Decision.Accepted>(Admit(BoardScript.Maya));
        Assert.Equal(Refusal.Full, Assert.IsType<Decision.Refused>(Admit(BoardScript.Maya)).Reason);
        Assert.IsType<Decision.Accepted>(Admit(BoardScript.Ben));
        Assert.IsType<Decision.Accepted>(Admit(Actor.Owner));

        // A room that was put away and loaded again knows it still.
        var again = new Board(BoardScript.Content());
        Assert.True(SnapshotCodec.Restore(SnapshotCodec.Encode(board, Actor.Program), again));
        Assert.Equal(Refusal.Full, Assert.IsType<Decision.Refused>(again.Decide(new Submission(0, 0, 0, 0, new AdmitClient()), BoardScript.Maya, Situation.Open)).Reason);
    }
}
