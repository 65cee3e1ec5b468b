using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Judges;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Data.Wire;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>What a command does to a wall at once: the browser foresees the same, and nothing where it is refused.</summary>
internal static class WallVectors
{
    public static IEnumerable<object> All() => [.. On(new WallRules(Least: 1, PerTopic: true, Answers: true, MostAnswers: 1, Judging: new(JudgingKind.Agree), MostJudged: 1), only: [Maya.Number]), .. On(new WallRules(Most: 2, Answers: true, Shows: Attachment.AnyKind, Judging: new(JudgingKind.Choose, 1), Stances: s_positions)), .. On(new WallRules(Most: 2, OwnFirst: true, Answers: true, Judging: new(JudgingKind.Agree))), .. On(new WallRules(Shows: AttachmentKinds.Drawings, Judging: new(JudgingKind.Agree), Stances: s_positions), areResultsShown: true), .. On(new WallRules(Judging: new(JudgingKind.Score, 3, new(Core.Pages.Texts.None, 4, Wanted.Must, Wanted.May)), Responses: [new("idea", Core.Pages.Texts.None), new("look", Core.Pages.Texts.None)], SaidAlready: true, BuildsOn: true)), .. On(new WallRules(OwnFirst: true, Judging: new(JudgingKind.Score), Responses: [new("idea", Core.Pages.Texts.None)])), .. On(new WallRules(Least: 1, Most: 1, PerTopic: true)), .. On(new WallRules(Answers: true), isHeld: true), .. On(new WallRules(OwnFirst: true), isHeld: true), .. On(new WallRules(Answers: true), purpose: Purpose.Ask), .. On(new WallRules(Answers: true, OwnFirst: true), purpose: Purpose.Ask), .. On(new WallRules(Answers: true), purpose: Purpose.Visit), .. On(WallRules.Free, purpose: Purpose.Order), .. On(new WallRules(OnlyGiven: true), purpose: Purpose.Order, line: s_ladder), .. On(new WallRules(OwnFirst: true), purpose: Purpose.Order, line: LinePlan.Blank with { Together = true }), .. On(WallRules.Free, purpose: Purpose.Connect, field: s_words), .. On(new WallRules(OwnFirst: true, Most: 3), purpose: Purpose.Connect, field: s_words with { AnyMoves = true, OnlyThese = false, Picture = Shown.Map }), .. On(WallRules.Free, purpose: Purpose.Connect, field: s_words with { OwnOnly = true, AnyMoves = true })];

    private static readonly ImmutableArray<Core.Pages.Texts> s_positions = [Core.Pages.Texts.In("en", "For"), Core.Pages.Texts.In("en", "Against"), Core.Pages.Texts.In("en", "Unsure")];

    private static readonly FieldPlan s_words = new([new(1, Core.Pages.Texts.In("en", "pushes on"))], OnlyThese: true);

    private static readonly LinePlan s_ladder = new(LineKind.Ladder, Core.Pages.Texts.None, Core.Pages.Texts.None, 1, 3);

    private static IEnumerable<object> On(WallRules rules, bool areResultsShown = false, Purpose purpose = Purpose.Sort, LinePlan? line = null, FieldPlan? field = null, ImmutableArray<int>? only = null, bool isHeld = false)
    {
        var wall = new WallScript(rules, Shown.Map);
        var mayas = wall.PutUp(Maya, "arches push");
        var bens = wall.PutUp(Ben, "cables pull");
        var down = wall.PutUp(Maya, "taken down");
        wall.Do(Maya, new TakeCardDown(down));
        var shows = wall.PutUp(Ben, "look", shown: [Shown.Drawing()]);
        var teachers = wall.PutUp(Teacher, "look at this", topic: 12);
        wall.Do(Teacher, new TakeCardDown(wall.PutUp(Ben, "a word in anger")));
        var asked = wall.Answer(Teacher, mayas, "And why?");
        var said = wall.Answer(Maya, mayas, "They lean on the banks", asked);
        var gone = wall.Answer(Maya, mayas, "No idea");
        wall.Do(Maya, new TakeAnswerDown(mayas, gone));
        wall.Do(Teacher, new GiveReading(Ben.Number, [mayas]));
        var joined = wall.PutUp(Maya, "arches press");
        wall.Do(Teacher, new JoinCard(joined, teachers));
        wall.Do(Maya, new JudgeCard(bens, 1));
        wall.Do(Ben, new JudgeCard(mayas, 1));
        wall.Do(Ben, new RespondToCard(mayas, "idea", true));
        wall.Do(Teacher, new RespondToCard(mayas, "idea", true));
        if (purpose != Purpose.Sort) wall.Do(Teacher, new SetPlan(Plan(rules) with { Map = Shown.Map, Purpose = purpose, Line = line, Field = field }));
        if (only is not null) wall.Do(Teacher, new SetPlan(wall.Wall.Plan with { Topics = [wall.Wall.Plan.Topics[0] with { Only = only }, .. wall.Wall.Plan.Topics.Skip(1)] }));
        wall.Do(Ben, new VisitStation(12));
        wall.Do(Teacher, new BeginTrip([new("Arches", [Maya.Number]), new("Beams", [Ben.Number])]));
        wall.Do(Ben, new AskToo(mayas, true));
        wall.Do(Teacher, new FileQuestion(mayas, asked));
        wall.Do(Ben, new PlaceCard(bens, new(LineKind.Ends, 20)));
        wall.Do(Maya, new PlaceCard(mayas, new(LineKind.Ladder, 2)));
        if (line?.Kind == LineKind.Ladder) wall.Do(Teacher, new ShowOrder(true));
        long Linked(Actor actor, long from, long to, long word = 1)
        {
            var id = wall.NextId(actor);
            wall.Do(actor, new LinkCards(id, from, to, word, "", ""));
            return id;
        }

        var (ownLink, bensLink, teachersLink) = (Linked(Maya, mayas, teachers), Linked(Ben, bens, shows), Linked(Teacher, teachers, mayas));
        var downLink = Linked(Maya, teachers, mayas, 0);
        wall.Do(Maya, new TakeLinkDown(downLink));
        wall.Do(Ben, new LayCard(bens, new(500, -300)));
        if (areResultsShown) wall.Do(Teacher, new ShowResults());
        wall.Do(Teacher, new PutUpCard(wall.NextId(Teacher), 11, "en", "poured before", Poured: 78));
        wall.Do(Maya, new TakeStance(1, 0));
        wall.Do(Ben, new TakeStance(2, 0));
        if (rules.Stances is not null) wall.Do(Teacher, new SteerStances(StanceStage.Again));
        wall.Do(Ben, new TakeStance(1, mayas));
        if (areResultsShown) wall.Do(Teacher, new SteerStances(StanceStage.Shown));
        wall.Do(Teacher, new GiveStarters(Ben.Number, s_positions));
        if (isHeld)
        {
            wall.Allowed = new(OwnFirst: true);
            wall.DoByProgram(new FollowLesson());
        }

        foreach (var actor in new[] { Maya, Ben, Teacher })
        {
            Command[] commands =
            [
                new PutUpCard(wall.NextId(actor), 11, "en", "a new idea"), new PutUpCard(wall.NextId(actor), 99, "en", "no such topic"), new PutUpCard(wall.NextId(actor), 11, "en", "said aloud", For: Maya.Number), new PutUpCard(wall.NextId(actor), 11, "en", "said by nobody", For: -1),
                new RewordCard(mayas, "en", "arches push sideways"), new RewordCard(mayas, "en", " "), new RewordCard(mayas, "en", "", [Shown.Drawing()]), new RewordCard(shows, "en", "", [Shown.Drawing(), Shown.Place]), new PutUpCard(wall.NextId(actor), 12, "en", "", [Shown.Picture]), new PutUpCard(wall.NextId(actor), 12, "en", "", [Shown.Place with { Map = Shown.Map with { Width = 1 } }]), new PutUpCard(wall.NextId(actor), 12, "en", "", [.. Shown.Each, Shown.Picture]), new RewordCard(down, "en", "not up"),
                new MoveCard(bens, 12, 0.5), new MoveCard(teachers, 0, 1), new TakeCardDown(bens), new TakeCardDown(teachers), new PutCardBack(down), new PutCardBack(bens),
                new GiveAnswer(mayas, wall.NextId(actor), 0, "en", "I agree"), new GiveAnswer(mayas, wall.NextId(actor), said, "en", "How?"), new GiveAnswer(mayas, wall.NextId(actor), gone, "en", "to what is down"),
                new GiveAnswer(teachers, wall.NextId(actor), 0, "en", "I see it"), new GiveAnswer(down, wall.NextId(actor), 0, "en", "too late"), new GiveAnswer(bens, wall.NextId(actor), 0, "en", " "),
                new RewordAnswer(mayas, said, "en", "They push outwards"), new RewordAnswer(mayas, gone, "en", "not up"), new TakeAnswerDown(mayas, asked), new TakeAnswerDown(mayas, said),
                new PutAnswerBack(mayas, gone), new PutAnswerBack(mayas, said), new SetPlan(Plan() with { Topics = [] }), new SetPlan(Plan(rules with { Judging = new(JudgingKind.Choose) })),
                new JudgeCard(mayas, 1), new JudgeCard(bens, 2), new JudgeCard(bens, 0), new JudgeCard(teachers, 1), new JudgeCard(shows, 3), new JudgeCard(down, 1), new JudgeCard(mayas, 9), new JudgeCard(mayas, 4, "It says why"), new JudgeCard(mayas, 2, "It says why", "arches"), new JudgeCard(bens, 3, " "), new ShowResults(), new GoOnJudging(false), new GoOnJudging(true),
                new JoinCard(mayas, bens), new JoinCard(bens, mayas), new JoinCard(shows, bens), new JoinCard(shows, shows), new JoinCard(bens, down), new JoinCard(down, bens), new JoinCard(shows, 0), new JoinCard(teachers, bens), new JoinCard(mayas, 99), new JoinCard(joined, 0), new JoinCard(shows, joined), new JoinCard(joined, shows),
                new PutUpCard(wall.NextId(actor), 11, "en", "the same", Onto: bens), new PutUpCard(wall.NextId(actor), 11, "en", "the same as what is gone", Onto: down), new PutUpCard(wall.NextId(actor), 11, "en", "as what has joined", Onto: joined), new PutUpCard(wall.NextId(actor), 11, "en", "grown", From: [mayas, bens, 99, bens]), new PutUpCard(wall.NextId(actor), 11, "en", "grown from all", From: [down, shows, teachers, mayas, bens]),
                new GiveReading(Maya.Number, [bens, shows]), new GiveReading(Maya.Number, [mayas]), new GiveReading(Ben.Number, []), new GiveReading(Ben.Number, [down]), new GiveReading(0, [bens]), new GiveReading(Ben.Number, [teachers, teachers]), new ReadCard(mayas), new ReadCard(bens), new ReadCard(99),
                new RespondToCard(mayas, "idea", true), new RespondToCard(mayas, "idea", false), new RespondToCard(bens, "look", true), new RespondToCard(bens, "load", true), new RespondToCard(teachers, "idea", true), new RespondToCard(down, "idea", true),
                new PutUpCard(wall.NextId(actor), 11, "en", "poured", Poured: 77), new PutUpCard(wall.NextId(actor), 11, "en", "poured before", Poured: 78), new PutUpCard(wall.NextId(actor), 11, "en", "poured for somebody", For: Maya.Number, Poured: 79), new PutUpCard(wall.NextId(actor), 11, "en", "poured", Poured: -1),
                new ColourCard(mayas, 3), new ColourCard(bens, 12), new ColourCard(bens, 13), new ColourCard(teachers, 0), new ColourCard(down, 1), new LockCard(mayas, true), new LockCard(bens, false), new LockCard(down, true), new LockTopic(11, true), new LockTopic(12, false), new LockTopic(0, true), new LockTopic(99, true),
                new TakeStance(1, 0), new TakeStance(2, bens), new TakeStance(2, mayas), new TakeStance(0, 0), new TakeStance(0, bens), new TakeStance(1, down), new TakeStance(4, 0), new SteerStances(StanceStage.First), new SteerStances(StanceStage.Again), new SteerStances(StanceStage.Shown),
                new VisitStation(11), new VisitStation(12), new VisitStation(99), new MoveOn(0), new MoveOn(1), new EndTrip(), new BeginTrip([new("all", [2, 3])]), new PutUpCard(wall.NextId(actor), 12, "en", "at the second station"), new MoveCard(mayas, 12, 3),
                new AskToo(mayas, true), new AskToo(mayas, false), new AskToo(bens, true), new AskToo(teachers, true), new AskToo(down, true), new FileQuestion(mayas, said), new FileQuestion(mayas, asked), new FileQuestion(mayas, gone), new FileQuestion(mayas, 0), new FileQuestion(bens, 0),
                new PlaceCard(bens, new(LineKind.Ends, 20)), new PlaceCard(bens, new(LineKind.Ends, 20.5)), new PlaceCard(bens, null), new PlaceCard(mayas, new(LineKind.Ends, 101)), new PlaceCard(mayas, new(LineKind.Ladder, 1)), new PlaceCard(teachers, new(LineKind.Ends, 0)), new PlaceCard(down, new(LineKind.Ends, 1)), new PlaceCard(99, null), new ShowOrder(false),
                new PutUpCard(wall.NextId(actor), 11, "en", "wanted there", Spot: new(510, -290)), new PutUpCard(wall.NextId(actor), 11, "en", "beside", Beside: bens), new PutUpCard(wall.NextId(actor), 11, "en", "too far", Spot: new(90_000, 0)),
                new LinkCards(wall.NextId(actor), mayas, bens, 1, "", ""), new LinkCards(wall.NextId(actor), mayas, teachers, 1, "", ""), new LinkCards(wall.NextId(actor), bens, teachers, 0, "en", "lean on"), new LinkCards(wall.NextId(actor), teachers, down, 1, "", ""), new LinkCards(wall.NextId(actor), bens, bens, 1, "", ""), new LinkCards(wall.NextId(actor), bens, mayas, 7, "", ""), new LinkCards(wall.NextId(actor), bens, mayas, 1, "en", "both"), new LinkCards(wall.NextId(actor), bens, mayas, 0, "en", "on two\nlines"),
                new RewordLink(ownLink, 0, "en", "rests on"), new RewordLink(bensLink, 1, "", ""), new RewordLink(teachersLink, 0, "", ""), new ReverseLink(ownLink), new ReverseLink(bensLink), new ReverseLink(99), new TakeLinkDown(ownLink), new TakeLinkDown(teachersLink), new TakeLinkDown(bensLink), new PutLinkBack(downLink), new PutLinkBack(ownLink),
                new LayCard(mayas, new(20, 30)), new LayCard(bens, new(500, -300)), new LayCard(teachers, new(-700, 0)), new LayCard(down, new(0, 0)), new LayCard(bens, new(0, 99_000)), new LayCards([new(bens, new(700, 0)), new(mayas, new(-700, 0)), new(down, new(0, 0))]), new LayCards([new(bens, new(1, 0)), new(bens, new(2, 0))]), new SetPlan(Plan(rules) with { Purpose = Purpose.Connect }), new SetPlan(Plan() with { Purpose = Purpose.Connect, Field = FieldPlan.Blank with { Picture = Shown.Map } }),
                new GiveAnswer(mayas, wall.NextId(actor), 0, "en", "", Aloud: true), new GiveAnswer(mayas, wall.NextId(actor), 0, "en", "", Shown: Shown.Spoken), new RewordAnswer(mayas, asked, "en", ""),
                new GiveStarters(Maya.Number, s_positions), new GiveStarters(Maya.Number, []), new GiveStarters(Ben.Number, []), new SetPlan(wall.Wall.Plan), new SetPlan(wall.Wall.Plan with { Rules = wall.Wall.Plan.Rules with { OwnFirst = false } }), new SetPlan(Plan(rules with { OwnFirst = true })),
            ];
            foreach (var command in commands)
            {
                // What scores come to the server computes, and what moved people.
                if (command is SteerStances { Stage: StanceStage.Shown } || (command is ShowResults && rules.Judging?.Kind == JudgingKind.Score)) continue;
                var start = SnapshotCodec.Encode(wall.Wall, actor);
                var client = wall.Wall.Clients.First(c => c.Value.Actor == actor.Number);
                var counter = client.Value.HighWater + 1;
                var decision = wall.Wall.Decide(new Submission(client.Key, counter, counter - 1, 0, command), actor, Situation.Open with { Time = 5_000 });
                var accepted = decision as Decision.Accepted;
                yield return new
                {
                    reader = actor.Number,
                    isStaff = actor.IsStaff,
                    start,
                    command = CommandCodec.Encode(new Submission(client.Key, counter, counter - 1, 0, command)),
                    happened = accepted is null ? null : EventCodec.Encode(new Envelope(wall.Wall.Number + 1, 5_000, actor, client.Key, counter, 0, accepted.Audience, accepted.Event)),
                };
            }
        }
    }
}
