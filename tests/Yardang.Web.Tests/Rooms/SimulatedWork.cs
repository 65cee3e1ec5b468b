using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Judges;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Threads;
using Yardang.Core.Walls;

namespace Yardang.Web.Tests.Rooms;

/// <summary>What is worked on in a simulation, and what people do there by chance.</summary>
/// <param name="New">An empty room.</param>
/// <param name="Act">What somebody does next, and as part of which gesture: by what they see, who they are, a new id, chance, and whether the clock of their device is wrong.</param>
internal sealed record SimulatedWork(Func<Room> New, Func<Room, Actor, long, Random, bool, (Command Command, long Gesture)> Act)
{
    public static readonly SimulatedWork OnBoard = new(() => new Board(ActivityContent.Blank("en", "Load test log")), (room, actor, id, random, clockIsWrong) =>
    {
        var board = (Board)room;
        var marks = board.Sheets.Marks.Keys.ToList();
        var any = marks.Count == 0 ? id : marks[random.Next(marks.Count)];
        var said = board.Talk.About(any);

        // The only time that a client ever sends: since its stroke began. A clock that is set meanwhile makes it negative or absurd.
        var elapsed = clockIsWrong && random.Next(3) == 0 ? random.Next(int.MinValue, int.MaxValue) : 9;
        return random.Next(10) switch
        {
            0 => (new MakeChanges([new Placed(any, new Place(random.Next(1000), 0, 0))]), id),
            1 => (new MakeChanges([new Cutting(any, [0, random.Next(1, 500)])]), id),
            2 => (new UndoGesture(board.Sheets.Journal.NextUndo(actor.Number)?.Id ?? 1), 0),
            3 => (new RedoGesture(board.Sheets.Journal.NextRedo(actor.Number)?.Id ?? 1), 0),
            4 => (new GiveAnswer(any, id, said.IsEmpty ? 0 : said[random.Next(said.Length)].Id, "en", "Where does it push?"), 0),
            5 when actor.IsStaff => (new SetMarkJudging(random.Next(3) == 0 ? null : new Judging(JudgingKind.Choose, 2)), 0),
            5 => (new JudgeCard(any, random.Next(2)), 0),
            6 when !said.IsEmpty => (new TakeAnswerDown(any, said[random.Next(said.Length)].Id), 0),
            _ => (new AddMark(id, 1, Grip.Own, new InkBody([new(0, 0, 128, 0), new(random.Next(1, 900), 40, 128, elapsed)]), new Style(0, 80)), id),
        };
    });

    private static readonly WallPlan s_plan = new(
        Purpose.Sort, Texts.In("en", "What do we know?"), [new Topic(1, Texts.In("en", "Materials"), Texts.None, 0), new Topic(2, Texts.In("en", "Forces"), Texts.None, 1)],
        new WallRules(Most: 9, Answers: true, AnyMoves: true, Judging: new(JudgingKind.Agree), SaidAlready: true));

    private static readonly FieldPlan s_field = new([new(1, Texts.In("en", "pushes on"))]);

    public static readonly SimulatedWork OnWall = new(() => new Wall(s_plan), (room, actor, id, random, _) =>
    {
        var wall = (Wall)room;
        var cards = wall.Cards.Keys.ToList();
        long Any() => cards.Count == 0 ? id : cards[random.Next(cards.Count)];
        var card = Any();
        var said = wall.Cards.GetValueOrDefault(card)?.Said ?? [];
        long Answer() => said.IsEmpty ? 0 : said[random.Next(said.Length)].Id;
        Command command = random.Next(20) switch
        {
            0 or 1 => new GiveAnswer(card, id, random.Next(2) == 0 ? 0 : Answer(), "en", "Why?"),
            2 => new RewordAnswer(card, Answer(), "en", "Why not?"),
            3 => new TakeAnswerDown(card, Answer()),
            4 => new PutAnswerBack(card, Answer()),
            5 => new MoveCard(card, random.Next(0, 3), random.Next(1, 9)),
            6 => new RewordCard(card, "en", $"arches lean, {random.Next(9)}"),
            7 => new TakeCardDown(card),
            8 => new PutCardBack(card),
            9 => new JoinCard(card, random.Next(3) == 0 ? 0 : Any()),
            10 or 11 => new JudgeCard(card, random.Next(0, 4)),
            12 => new LinkCards(id, card, Any(), 1, "", ""),
            13 when actor.IsStaff => random.Next(5) switch
            {
                0 => new ShowResults(),
                1 => new GoOnJudging(random.Next(2) == 0),
                2 => new SetPlan(wall.Plan with { Rules = wall.Plan.Rules with { OwnFirst = random.Next(2) == 0 } }),
                3 => new TidyField(),
                _ => new SetPlan(wall.Plan with { Purpose = random.Next(2) == 0 ? Purpose.Connect : Purpose.Sort, Field = s_field, Topics = [.. s_plan.Topics.Skip(random.Next(2))] }),
            },
            _ => new PutUpCard(id, random.Next(0, 3), "en", $"arches push, {random.Next(99)}"),
        };
        return (command, 0);
    });
}
