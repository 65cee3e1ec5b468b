using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Pages;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Ink;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.Wire;

namespace Yardang.Core.Tests.Boards;

/// <summary>A board with people on it, for tests that read as statements about the job.</summary>
internal sealed class BoardScript
{
    public static readonly Actor Teacher = Actor.Owner;
    public static readonly Actor Maya = new(2, Role.Student);
    public static readonly Actor Ben = new(3, Role.Student);

    public const long PrintedTitle = ((long)Ids.FirstDraftClient << 32) | 1;
    public const long LooseLabel = ((long)Ids.FirstDraftClient << 32) | 2;
    public const long AnswerField = ((long)Ids.FirstDraftClient << 32) | 3;

    private readonly ActivityContent _content;
    private readonly Dictionary<int, (int Client, int Counter)> _clients = [];

    /// <param name="content">What is handed out; null for <see cref="Content"/>.</param>
    public BoardScript(ActivityContent? content = null)
    {
        _content = content ?? Content();
        Board = new Board(_content);
        foreach (var actor in new[] { Teacher, Maya, Ben })
        {
            Take(Actor.Program, new Submission(0, 0, 0, 0, new AdmitClient()), actor);
            _clients[actor.Number] = (Board.Clients.Keys.Max(), 0);
        }
    }

    public Board Board { get; private set; }

    public List<Envelope> Log { get; } = [];

    public Allowed Allowed { get; set; } = Allowed.Everything;

    private static readonly ActivityContent s_blank = ActivityContent.Blank("en", "What holds a bridge up?");

    public static ActivityContent Content() => s_blank with
    {
        Pages = [s_blank.Pages[0] with { Shows = new PageShows(AttachmentKinds.Voices | AttachmentKinds.Links, 60) }],
        Marks =
        [
            Printed(PrintedTitle, Grip.Printed, "First ideas"),
            Printed(LooseLabel, Grip.Loose, "pier"),
            Printed(AnswerField, Grip.Printed, "") with { Body = new AnswerFieldBody(1_000, 8_000, 9_000, 1_800, Texts.In("en", "What pushes back?")) },
        ],
    };

    public static Words Say(string text) => new(text, "en", [text], 700);

    public static InkBody Line(int fromX, int fromY, int toX, int toY) =>
        new([new InkPoint(fromX, fromY, 128, 0), new InkPoint(toX, toY, 128, 40)]);

    public long NextId(Actor actor) => Ids.Of(_clients[actor.Number].Client, _clients[actor.Number].Counter + 1);

    public Decision Do(Actor actor, Command command, long? gesture = null)
    {
        var (client, counter) = _clients[actor.Number];
        var submission = new Submission(client, counter + 1, counter, gesture ?? Ids.Of(client, counter + 1), command);
        var decision = Take(actor, submission, actor);
        if (decision is Decision.Accepted) _clients[actor.Number] = (client, counter + 1);
        return decision;
    }

    /// <summary>What the program does, as part of a gesture of its own if it is one.</summary>
    public Decision ByProgram(Command command, long gesture = 0) => Take(Actor.Program, new Submission(0, 0, 0, gesture, command), Actor.Program);

    public long Draw(Actor actor, long? gesture = null)
    {
        var id = NextId(actor);
        Assert.IsType<Decision.Accepted>(Do(actor, new AddMark(id, 1, Grip.Own, Line(1000, 1000, 3000, 1000), new Style(0, 80)), gesture));
        return id;
    }

    public Refusal RefusalOf(Actor actor, Command command) => Assert.IsType<Decision.Refused>(Do(actor, command)).Reason;

    public long LastGesture(Actor actor) => Board.Sheets.Journal.NextUndo(actor.Number)!.Id;

    public void Undo(Actor actor) => Assert.IsType<Decision.Accepted>(Do(actor, new UndoGesture(LastGesture(actor)), 0));

    public void Redo(Actor actor) =>
        Assert.IsType<Decision.Accepted>(Do(actor, new RedoGesture(Board.Sheets.Journal.NextRedo(actor.Number)!.Id), 0));

    public byte[] Digest() => SnapshotCodec.Encode(Board, Actor.Program);

    /// <summary>What is on the pages, without numbers and journal.</summary>
    public string Seen() => string.Join('\n', Board.Sheets.Visible(1).Select(m => $"{m.Id} {m.Place} {m.Scale} {m.Pinned} {m.Tie} {m.Grip} {m.Order} {m.Body.GetType().Name} {m.Style} {m.Words?.Text} [{string.Join(',', m.Cuts)}]"));

    public Board Replay()
    {
        var board = new Board(_content);
        foreach (var envelope in Log) board.Apply(envelope);
        return board;
    }

    private Decision Take(Actor asker, Submission submission, Actor actor)
    {
        var decision = Board.Decide(submission, asker.Role == Role.Program ? actor : asker, new Situation(Allowed, 0, 0));
        if (decision is Decision.Accepted accepted)
        {
            var envelope = new Envelope(
                Board.Number + 1, 1_000 + Board.Number, actor, submission.Client, submission.Counter, submission.Gesture, accepted.Audience, accepted.Event);
            Log.Add(envelope);
            Board.Apply(envelope);
        }

        return decision;
    }

    internal static Mark Printed(long id, Grip grip, string text) => new(
        id, 1, 1, ByStaff: true, grip, id & 0xff, new TextBody(2000, 2000, 9000, 900, Say(text)), new Style(0, 0), Place.AsDrawn, [], Erased: false);
}
