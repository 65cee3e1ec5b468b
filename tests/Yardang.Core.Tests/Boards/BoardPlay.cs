using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Judges;
using Yardang.Core.LateChanges;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Moderation;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Boards;

/// <summary>What three people do on a board, by chance: everything that the rules know, also what they refuse.</summary>
internal static class BoardPlay
{
    public static void Play(BoardScript board, Random random)
    {
        for (var step = 0; step < 60; step++)
        {
            var actor = new[] { Maya, Ben, Teacher }[random.Next(3)];
            board.Allowed = new Allowed(PensDown: step is > 30 and < 38, Screen: Screens.At(step / 5), Approval: Screens.ApprovalAt(step));
            var marks = board.Board.Sheets.Marks.Keys.Order().ToList();
            var mark = marks[random.Next(marks.Count)];
            switch (random.Next(24))
            {
                case 0: board.Do(actor, new MakeChanges([new Placed(mark, new Place(random.Next(900), step, 0))])); break;
                case 1: board.Do(actor, new MakeChanges([new Cutting(mark, [step * 10, (step * 10) + 300])])); break;
                case 2 when board.Board.Sheets.Journal.NextUndo(actor.Number) is { } undo: board.Do(actor, new UndoGesture(undo.Id), 0); break;
                case 3 when board.Board.Sheets.Journal.NextRedo(actor.Number) is { } redo: board.Do(actor, new RedoGesture(redo.Id), 0); break;
                case 4: board.Do(actor, new AddMark(board.NextId(actor), 1, Grip.Own, new NoteBody(step, step, 5200, 5200, Say($"idea {step}")), new Style(1, 0), random.Next(4) == 0 ? Maya.Number : 0)); break;
                case 8:
                    var first = board.NextId(actor);
                    board.Do(actor, new AddMarks(1, [New(first, step), New(first + 1_000_000, step)]));
                    break;
                case 9: board.Do(actor, new MakeChanges([new Scaling(mark, step % 3 == 0 ? null : new Scale(1_200, 900)), new Tying(mark, step % 4)])); break;
                case 10: board.Do(actor, new MakeChanges([new Ordering(mark, step / 2.0), new Pinning(mark, step % 2 == 0)])); break;
                case 11: board.Do(actor, new MakeChanges([new Styling(mark, new Style(step % 6, 60, step % 5, Looks.Dashed | Looks.ArrowAtEnd)), .. Regripped(board, actor, mark, step)])); break;
                case 12: board.Do(actor, new GiveAnswer(mark, board.NextId(actor), SaidTo(board, mark, random), "en", $"said {step}", Aloud: actor.IsStaff && step % 2 == 0, Shown: actor.IsStaff && step % 3 == 0 ? Shown.Spoken : null), 0); break;
                case 13 when Said(board, random) is var (about, answer):
                    board.Do(actor, (step % 3) switch { 0 => new RewordAnswer(about, answer.Id, "es", $"dicho {step}"), 1 => new TakeAnswerDown(about, answer.Id), _ => new PutAnswerBack(about, answer.Id) }, 0);
                    break;
                case 14: board.Do(Teacher, (step % 4) switch { 0 => new SetMarkJudging(new Judging(step % 8 == 0 ? JudgingKind.Agree : JudgingKind.Choose, 2)), 1 => new ShowResults(), 2 => new GoOnJudging(step % 3 == 0), _ => step % 8 == 3 ? new SetMarkJudging(null) : new LeaveOutJudge(2 + (step % 2), step % 3 != 0) }, 0); break;
                case 16 or 17: board.Do(random.Next(4) == 0 ? actor : Teacher, new MakeChanges([new TakingDown(mark, (TakenDown)random.Next(4))])); break;
                case 18: board.Do(actor, new RaiseConcern(mark, random.Next(2) == 0 ? 0 : SaidTo(board, mark, random), (ConcernReason)random.Next(5), ""), 0); break;
                case 19: board.Do(actor, random.Next(2) == 0 || Said(board, random) is not var (on, said) ? new SettleConcerns(mark, 0) : new TakeAnswerDown(on, said.Id, $"why {step % 3}", step % 2 == 0), 0); break;
                case 20: board.Do(random.Next(4) == 0 ? actor : Teacher, new RestoreMarks([new Erasing(mark, step % 3 == 0), new Cutting(mark, step % 2 == 0 ? [] : [10, 90])])); break;
                case 7: board.Do(actor, new AddMark(board.NextId(actor), 1, Grip.Own, new FieldAnswerBody(AnswerField, 0, 0, 9_000, 1_150 + step, Say($"answer {step}")), new Style(0, 0))); break;
                case 23: board.Do(actor, new AddMark(board.NextId(actor), 1, Grip.Own, new ShownBody(step * 10, 0, 8_000, 2_717, step % 2 == 0 ? Shown.Voice : Shown.Link), new Style(0, 0))); break;
                case 22 when board.Log.LastOrDefault(e => e.Event is WorkSetAside) is { Event: WorkSetAside(var again, var why) } waited:
                    board.ByProgram(new TakeUpAgain(new(waited.Number, waited.Actor, waited.Client, waited.Counter, waited.Gesture, again, why, At: waited.Time)));
                    break;
                case 21: board.Do(random.Next(4) == 0 ? actor : Teacher, new LockPage(step % 2, random.Next(3) == 0), 0); break;
                case 15: board.Do(actor, new JudgeCard(mark, step % 3), 0); break;
                case 5 when board.Board.SetAside.Count > 0 && step % 4 == 0: board.Do(Teacher, new ReturnWork(board.Board.SetAside.Keys.Last(), $"mend {step}"), 0); break;
                case 5 when board.Board.SetAside.Count > 0: board.Do(Teacher, new AcceptLateWork(board.Board.SetAside.Keys.First()), 0); break;
                default: board.Do(actor, new AddMark(board.NextId(actor), 1, Grip.Own, Line(step * 10, 0, 2000, step * 30), new Style(0, 60))); break;
            }
        }
    }

    public static void PlayLateChange(BoardScript board, bool takenBack)
    {
        var page = Ids.Of(Ids.FirstDraftClient, 90);
        var content = Content() with
        {
            Pages = [.. Content().Pages.Select(p => p with { Name = Texts.In("en", "Ideas") }), new Page(page, Texts.In("en", "Build it"), PageSize.A4, new Paper(PaperKind.Squared))],
            Marks = [Printed(PrintedTitle, Grip.Printed, "First ideas, and why"), Printed(page + 1, Grip.Printed, "deck") with { Page = page }],
        };
        board.ByProgram(new AdoptLateChange(1, new LateContent(content, [.. content.Pages.Select(p => p.Id)]), [Content()]), 1);
        board.ByProgram(new SetKey(AnswerKey.Of(content with { Marks = [Printed(page + 2, Grip.Key, "it pushes"), Printed(PrintedTitle, Grip.Key, "squeezed")] }, [])));
        board.Draw(Ben);
        if (takenBack) board.ByProgram(new GiveUpLateChange(1));
    }

    private static (long About, Answer Answer)? Said(BoardScript board, Random random)
    {
        var all = board.Board.Talk.All.SelectMany(t => t.Answers.Select(a => (t.Mark, a))).ToList();
        return all.Count == 0 ? null : all[random.Next(all.Count)];
    }

    private static long SaidTo(BoardScript board, long mark, Random random)
    {
        var said = board.Board.Talk.About(mark);
        return said.IsEmpty || random.Next(2) == 0 ? 0 : said[random.Next(said.Length)].Id;
    }

    private static NewMark New(long id, int step) => new(
        id, Grip.Own, step % 2 == 0 ? new ShapeBody(ShapeKind.Polygon, [0, 0, 900, step, 400, 700]) : Line(0, step, 800, 800),
        new Style(2, 60, step % 3), new Place(step, 0, step * 100), step % 5 == 0 ? new Scale(800, 1_500) : null, [], step % 2);

    private static IEnumerable<Change> Regripped(BoardScript board, Actor actor, long mark, int step)
    {
        if (actor.IsStaff) yield return new Gripping(mark, (Grip)(step % 3));
        if (board.Board.Sheets.Marks[mark].Body is ShapeBody) yield return new Remaking(mark, new ShapeBody(ShapeKind.Line, [0, 0, step, step]));
    }
}
