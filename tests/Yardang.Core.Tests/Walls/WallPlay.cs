using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Judges;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Tests.Moderation;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>What happens on a wall, by chance: cards come, change, move and go, the plan changes, pens go down; also what the rules refuse.</summary>
internal static class WallPlay
{
    public static void Play(WallScript wall, Random random, int steps)
    {
        Actor[] people = [Teacher, Maya, Ben, Ben with { HasLeft = true }];
        for (var step = 0; step < steps; step++)
        {
            var actor = people[random.Next(people.Length)];
            var cards = wall.Wall.Cards.Keys.Prepend(7).ToList();
            var card = cards[random.Next(cards.Count)];
            long topic = random.Next(5) switch { 0 => 0, 1 => 99, 2 => 12, _ => 11 };
            switch (random.Next(93))
            {
                case 0 or 1 or 2 or 3: wall.PutUp(actor, $"idea {step}", topic, Some(random)); break;
                case 4 or 5: Do(wall, actor, new RewordCard(card, "en", random.Next(6) == 0 ? " " : $"better {step}", Some(random))); break;
                case 6 or 7 or 21 or 27 or 39: Do(wall, actor, new MoveCard(card, topic, random.Next(9) + 0.5)); break;
                case 8: Do(wall, actor, new TakeCardDown(card)); break;
                case 83 or 84: Do(wall, random.Next(4) == 0 ? actor : Teacher, new TakeCardDown(card, random.Next(2) == 0 ? "" : $"why {step % 5}", random.Next(3) == 0)); break;
                case 85: Do(wall, random.Next(4) == 0 ? actor : Teacher, new TakeAnswerDown(card, Among(random, wall, card), random.Next(2) == 0 ? "" : $"why {step % 5}", random.Next(3) == 0, random.Next(3) == 0)); break;
                case 86: Do(wall, actor, new RaiseConcern(card, random.Next(3) == 0 ? Among(random, wall, card) : 0, (ConcernReason)random.Next(5), $"unkind {step}")); break;
                case 87: Do(wall, random.Next(4) == 0 ? actor : Teacher, new SettleConcerns(card, random.Next(3) == 0 ? Among(random, wall, card) : 0)); break;
                case 89: Do(wall, random.Next(4) == 0 ? actor : Teacher, new TakeCardDown(card, AsItsAuthor: true)); break;
                case 90: Do(wall, random.Next(4) == 0 ? actor : Teacher, new LockCard(card, random.Next(3) == 0)); break;
                case 91: Do(wall, random.Next(4) == 0 ? actor : Teacher, new LockTopic(topic, random.Next(4) == 0)); break;
                case 92 when wall.Log.LastOrDefault(e => e.Event is WorkSetAside) is { Event: WorkSetAside(var again, var why) } waited:
                    wall.DoByProgram(new TakeUpAgain(new(waited.Number, waited.Actor, waited.Client, waited.Counter, waited.Gesture, again, why, At: waited.Time)));
                    break;
                case 88: wall.DoByProgram(new TakeCardDown(card)); break;
                case 9: Do(wall, actor, new PutCardBack(card)); break;
                case 10:
                    wall.Allowed = wall.Allowed with { PensDown = random.Next(3) == 0, Screen = Screens.At(step), Approval = Screens.ApprovalAt(step) };
                    if (wall.Wall.SetAside.Count > 0) Do(wall, Teacher, random.Next(3) == 0 ? new DiscardLateWork(wall.Wall.SetAside.Keys.First(), random.Next(2) == 0 ? "" : $"no {step}") : random.Next(3) == 0 ? new ReturnWork(wall.Wall.SetAside.Keys.First(), random.Next(6) == 0 ? " " : $"mend {step}") : new AcceptLateWork(wall.Wall.SetAside.Keys.First()));
                    break;
                case 61 when wall.Wall.SetAside.Count > 0: Do(wall, actor, new DiscardLateWork(wall.Wall.SetAside.Keys.Last())); break;
                case 11 or 12 or 13: wall.Answer(actor, card, $"because {step}", Among(random, wall, card)); break;
                case 14: Do(wall, actor, new RewordAnswer(card, Among(random, wall, card), "en", random.Next(6) == 0 ? " " : $"perhaps {step}")); break;
                case 15: Do(wall, actor, new TakeAnswerDown(card, Among(random, wall, card))); break;
                case 17 or 18 or 19: Do(wall, actor, new JudgeCard(card, random.Next(-1, 5))); break;
                case 20: wall.Do(actor.IsStaff ? actor : Teacher, random.Next(4) switch { 0 or 1 => new ShowResults(), 2 => new GoOnJudging(random.Next(3) == 0), _ => new LeaveOutJudge(random.Next(2, 5), random.Next(3) > 0) }); break;
                case 22 or 23: Do(wall, actor, new AskToo(card, random.Next(3) > 0)); break;
                case 24 or 25: Do(wall, actor, new FileQuestion(card, Among(random, wall, card))); break;
                case 26: Do(wall, actor, new GiveAnswer(card, wall.NextId(actor), 0, "en", "", Aloud: step % 2 == 0, Shown: step % 3 == 0 ? null : Shown.Spoken)); break;
                case 52 or 53: Do(wall, actor, new GiveAnswer(card, wall.NextId(actor), 0, "en", $"pair {step}", Says: (AnswerKind)random.Next(3))); break;
                case 28 or 29 or 30: Do(wall, actor, new VisitStation(topic)); break;
                case 31: Do(wall, actor, new BeginTrip([.. Enumerable.Range(0, random.Next(3)).Select(i => new TripGroup($"group {i}", [i + 2]))])); break;
                case 32: Do(wall, actor, random.Next(4) == 0 ? new EndTrip() : new MoveOn(random.Next(3))); break;
                case 33 or 34 or 35 or 36: Do(wall, actor, new PlaceCard(card, random.Next(5) == 0 ? null : new((LineKind)random.Next(1, 6), random.Next(-1, 8) / 2.0, random.Next(3) == 0 ? 0 : random.Next(-1, 102)))); break;
                case 38: Do(wall, actor, new PutUpCard(wall.NextId(actor), topic, "en", $"said {step}", For: random.Next(-1, 4))); break;
                case 37: Do(wall, actor, new ShowOrder(random.Next(3) > 0)); break;
                case 40: Do(wall, actor, new PutUpCard(wall.NextId(actor), topic, "en", $"beside {step}", Spot: random.Next(3) > 0 ? null : Spot(random), Beside: card)); break;
                case 41 or 42 or 43: Do(wall, actor, new LinkCards(wall.NextId(actor), card, cards[random.Next(cards.Count)], random.Next(3), "en", random.Next(3) == 0 ? "" : "holds")); break;
                case 44: Do(wall, actor, new RewordLink(LinkAmong(random, wall), random.Next(3), "en", random.Next(3) > 0 ? "" : $"pulls {step}")); break;
                case 45: Do(wall, actor, new ReverseLink(LinkAmong(random, wall))); break;
                case 46: Do(wall, actor, new TakeLinkDown(LinkAmong(random, wall))); break;
                case 47: Do(wall, actor, new PutLinkBack(LinkAmong(random, wall))); break;
                case 48: Do(wall, actor, new LayCard(card, Spot(random))); break;
                case 49: Do(wall, actor, random.Next(2) == 0 ? new TidyField() : new LayCards([new(card, Spot(random))])); break;
                case 50 or 51: Do(wall, actor, new LetCardsOut()); break;
                case 54 or 55 or 56: Do(wall, actor, new RespondToCard(card, Some(random) is null ? "idea" : "look", random.Next(3) > 0)); break;
                case 57 or 58: Do(wall, actor, new JudgeCard(card, random.Next(0, 5), random.Next(3) == 0 ? "" : $"since {step}", random.Next(3) == 0 ? "idea" : "")); break;
                case 59 or 60 or 61: Do(wall, actor, new JoinCard(card, random.Next(4) == 0 ? 0 : cards[random.Next(cards.Count)])); break;
                case 62 or 63: Do(wall, actor, new PutUpCard(wall.NextId(actor), topic, "en", $"like {step}", Onto: random.Next(2) == 0 ? card : 0, From: random.Next(2) == 0 ? null : [card, cards[random.Next(cards.Count)]])); break;
                case 64 or 65 or 66: Do(wall, actor, new GiveReading(random.Next(1, 4), [card, .. random.Next(2) == 0 ? [cards[random.Next(cards.Count)]] : Array.Empty<long>()])); break;
                case 67 or 68: Do(wall, actor, new ReadCard(card)); break;
                case 69 or 70 or 71 or 72: Do(wall, actor, new TakeStance(random.Next(0, 4), random.Next(3) == 0 ? 0 : card)); break;
                case 77: Do(wall, actor, new BreakSeal(card, random.Next(4) == 0 ? " " : "It hurts somebody")); break;
                case 75 or 76: Do(wall, actor, new ColourCard(card, random.Next(-1, 14))); break;
                case 74: Do(wall, actor, new PutUpCard(wall.NextId(actor), topic, "en", $"poured {step}", For: random.Next(4) == 0 ? 2 : 0, Poured: random.Next(-1, 5))); break;
                case 78 or 79 or 80: Do(wall, random.Next(4) == 0 ? actor : Teacher, new GiveStarters(random.Next(4), [.. Positions.Take(random.Next(3))])); break;
                case 81:
                    wall.Allowed = wall.Allowed with { OwnFirst = random.Next(2) == 0 };
                    wall.DoByProgram(new FollowLesson());
                    break;
                case 73: Do(wall, Teacher, new SteerStances((StanceStage)random.Next(3))); break;
                case 16: Do(wall, actor, new PutAnswerBack(card, Among(random, wall, card))); break;
                default: Do(wall, Teacher, new SetPlan(WallScript.Plan(new(random.Next(3), random.Next(3) == 0 ? 0 : 9, OwnFirst: random.Next(2) == 0, Answers: random.Next(4) > 0, MostAnswers: random.Next(4) == 0 ? 2 : 0, MostJudged: random.Next(4) == 0 ? 2 : 0, OnlyGiven: random.Next(12) == 0, Names: wall.Wall.Plan.Rules.Names, AnyMoves: random.Next(3) == 0, InPairs: random.Next(3) == 0, Shows: (AttachmentKinds)random.Next(16), Judging: random.Next(8) switch { 0 => null, 1 => new(JudgingKind.Choose, random.Next(1, 3)), 2 or 3 => new(JudgingKind.Score, 3, Criteria[random.Next(Criteria.Length)]), _ => new(JudgingKind.Agree) }, SaidAlready: random.Next(3) > 0, BuildsOn: random.Next(3) > 0, LeastJudged: random.Next(3), PerTopic: random.Next(2) == 0, Stances: random.Next(6) switch { 0 => null, 1 => [.. Positions, Texts.In("en", "Unsure")], _ => Positions }, Responses: random.Next(3) == 0 ? [new("idea", Texts.None)] : [new("look", Texts.None), new("idea", Texts.In("en", "New to me"))])) with { Purpose = random.Next(3) == 0 ? Purpose.Connect : (Purpose)random.Next(1, 6), Field = Fields[random.Next(Fields.Length)], Line = Lines[random.Next(Lines.Length)], Map = random.Next(2) == 0 ? Shown.Map : null, Topics = [.. WallScript.Plan().Topics.Skip(random.Next(2)).Select(t => wall.Wall.Plan.HidesNames || random.Next(4) > 0 ? t : t with { Only = [Maya.Number] })] })); break;
            }
        }
    }

    // Where names are hidden, people know things by the ids that they are told.
    private static void Do(WallScript wall, Actor actor, Command command) =>
        wall.Do(actor, wall.Wall.Out is not null && !actor.ReadingWhere(wall.Wall.IsSealed).SeesAll ? command.WithIds(id => wall.Wall.Veil.Over(actor, id)) : command);

    private static readonly ImmutableArray<Texts> Positions = [Texts.In("en", "For"), Texts.In("en", "Against")];

    private static readonly Criterion?[] Criteria = [null, new(Texts.In("en", "It says why."), 3, Wanted.Must, Wanted.May), new(Texts.None, 4, Wanted.No, Wanted.Must)];

    private static readonly LinePlan?[] Lines = [null, new(LineKind.Field, Texts.None, Texts.None, 0, 100, Low: Texts.In("en", "cheap")), LinePlan.Blank, LinePlan.Blank, LinePlan.Blank with { Together = true }, new(LineKind.Ladder, Texts.None, Texts.None, 1, 3)];

    private static readonly FieldPlan?[] Fields = [null, FieldPlan.Blank, new([new(1, Texts.In("en", "pushes on")), new(2, Texts.None)], OnlyThese: true), new([new(1, Texts.In("en", "holds"))], OwnOnly: true, AnyMoves: true, Picture: Shown.Map)];

    private static FieldSpot Spot(Random random) => new(random.Next(-6, 7) * 90, random.Next(-6, 7) * 60);

    private static long LinkAmong(Random random, WallScript wall)
    {
        long[] all = [9, .. wall.Wall.Links.All.Keys];
        return all[random.Next(all.Length)];
    }

    // Nothing, or one or two things beside the words.
    private static ImmutableArray<Attachment>? Some(Random random) => random.Next(3) == 0 ? [.. Enumerable.Range(0, random.Next(1, 3)).Select(_ => Shown.Each[random.Next(Shown.Each.Length)])] : null;

    // One of the answers to a card, or none.
    private static long Among(Random random, WallScript wall, long card)
    {
        long[] all = [0, 8, .. wall.Wall.Cards.GetValueOrDefault(card)?.Said.Select(a => a.Id) ?? []];
        return all[random.Next(all.Length)];
    }
}
