using System.Collections;
using System.Reflection;
using Yardang.Core.Judges;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>A wall on which only teachers see who wrote what.</summary>
public class HiddenNamesTests
{
    private static readonly WallRules s_hidden = new(Answers: true, Names: NamesTo.Teachers);
    private static readonly Actor s_cara = new(4, Role.Student);
    private static readonly Actor s_dana = new(5, Role.Student);

    [Fact]
    public void A_classmates_card_is_seen_once_three_have_written_and_not_whose_it_is()
    {
        var wall = new WallScript(s_hidden);
        wall.PutUp(Maya, "arch");
        wall.PutUp(Maya, "vault");
        wall.PutUp(Ben, "cable");
        Assert.Equal(Refusal.ChangedSince, Program(wall));
        Assert.Equal(["cable"], SeenBy(wall, Ben).Select(c => c.Text));
        Assert.Empty(ToldTo(wall, s_cara));

        wall.PutUp(s_cara, "beam");
        Assert.Null(Program(wall));
        Assert.Equal(["arch", "beam", "cable", "vault"], SeenBy(wall, Ben).Select(c => c.Text).Order());
        Assert.All(SeenBy(wall, Ben), c => Assert.Equal(c.Text == "cable" ? Ben.Number : 0, c.Author));
        Assert.Equal(Maya.Number, Snapshot(wall, Teacher).Cards.Single(c => c.Text == "arch").Author);
        Assert.IsType<CardsLetOut>(Assert.Single(ToldTo(wall, s_dana)).Event);
    }

    [Fact]
    public void A_teacher_lets_out_what_waits_and_knows_how_many_wrote_it()
    {
        var wall = new WallScript(s_hidden);
        wall.PutUp(Maya, "arch");
        wall.PutUp(Ben, "cable");
        Assert.Equal([2, 3], Snapshot(wall, Teacher).Held);
        Assert.Empty(Snapshot(wall, Ben).Held);
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new LetCardsOut()));
        Assert.Equal(2, SeenBy(wall, Maya).Count());
        Assert.Empty(Snapshot(wall, Teacher).Held);
        Assert.Equal(Refused(Refusal.ChangedSince), wall.Do(Teacher, new LetCardsOut()));
        Assert.Equal(Refused(Refusal.NotAllowed), wall.Do(Maya, new LetCardsOut()));
    }

    [Fact]
    public void Whatever_teachers_alone_did_comes_out_at_once()
    {
        var wall = new WallScript(s_hidden);
        var card = wall.PutUp(Maya, "arch");
        wall.Do(Teacher, new LetCardsOut());
        wall.Do(Teacher, new TakeCardDown(card));
        Assert.Empty(SeenBy(wall, Ben));
        wall.Do(Teacher, new PutCardBack(card));
        Assert.Empty(SeenBy(wall, Ben));
        Assert.Null(Program(wall));
        Assert.Single(SeenBy(wall, Ben));
        wall.PutUp(Teacher, "read these");
        Assert.Equal(2, SeenBy(wall, Ben).Count());
    }

    [Fact]
    public void Answers_to_a_classmates_card_come_out_with_others_and_its_author_is_not_told_before()
    {
        var wall = new WallScript(s_hidden);
        var card = wall.PutUp(Maya, "arch");
        wall.Do(Teacher, new LetCardsOut());
        var known = SeenBy(wall, Ben).Single().Id;
        var to = wall.NextId(Ben);
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new GiveAnswer(known, to, 0, "en", "pushes outwards")));
        Assert.Empty(SeenBy(wall, Maya).Single().Said);
        Assert.Equal("pushes outwards", SeenBy(wall, Ben).Single().Said.Single().Text);

        // What a teacher says to it waits with it.
        wall.Do(Teacher, new GiveAnswer(card, wall.NextId(Teacher), to, "en", "how do you know?"));
        Assert.Empty(SeenBy(wall, s_cara).Single().Said);
        wall.Do(Teacher, new LetCardsOut());
        Assert.Equal([0, 1], SeenBy(wall, Maya).Single().Said.Select(a => a.Author).Order());
        Assert.All(SeenBy(wall, Maya).Single().Said.Where(a => !a.ByStaff), a => Assert.Equal(0, a.SaidAt % 60_000));
    }

    [Fact]
    public void A_student_means_a_classmates_card_by_the_number_they_know_and_never_by_its_own()
    {
        var wall = new WallScript(s_hidden);
        var card = wall.PutUp(Maya, "arch");
        var waiting = wall.Wall.Veil.Over(Ben, card);
        Assert.Equal(Refused(Refusal.NotFound), wall.Do(Ben, new GiveAnswer(waiting, wall.NextId(Ben), 0, "en", "?")));
        wall.Do(Teacher, new LetCardsOut());
        Assert.Equal(Refused(Refusal.NotFound), wall.Do(Ben, new GiveAnswer(card, wall.NextId(Ben), 0, "en", "?")));
        Assert.Equal(Refused(Refusal.NotYours), wall.Do(Ben, new TakeCardDown(waiting)));
        Assert.Equal(Refused(Refusal.NotFound), wall.Do(Ben, new TakeCardDown(card)));
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new GiveAnswer(waiting, wall.NextId(Ben), 0, "en", "?")));
        Assert.IsType<Decision.Accepted>(wall.Do(Maya, new RewordCard(card, "en", "a stone arch")));
    }

    [Fact]
    public void What_students_are_told_does_not_rest_on_who_of_their_classmates_wrote_what()
    {
        // The same things are said, in the same order, by others.
        static List<string> Told(Actor[] by)
        {
            var wall = new WallScript(s_hidden);
            foreach (var actor in new[] { Maya, Ben, s_cara, s_dana }) wall.NextId(actor);
            for (var i = 0; i < by.Length; i++) wall.PutUp(by[i], $"idea {i}", i % 2 == 0 ? 11 : 12);
            wall.Do(Teacher, new LetCardsOut());
            var first = SeenBy(wall, Ben).Single(c => c.Text == "idea 0").Id;
            foreach (var actor in by.Distinct())
            {
                var id = SeenBy(wall, actor).Single(c => c.Text == "idea 0").Id;
                wall.Do(actor, new GiveAnswer(id, wall.NextId(actor), 0, "en", "because"));
            }

            wall.Do(Teacher, new LetCardsOut());
            Assert.Contains(first, SeenBy(wall, Ben).Select(c => c.Id));
            return [.. ToldTo(wall, Ben).Select(e => Words(e.Event)).Concat(SeenBy(wall, Ben).Select(Words).Order())];
        }

        var one = Told([Maya, Maya, Maya, s_cara, s_dana, s_dana]);
        Assert.Equal(one, Told([s_dana, s_cara, Maya, s_cara, s_dana, Maya]));
        Assert.Equal(one, Told([Maya, s_cara, s_cara, s_cara, s_cara, s_dana]));

        // All but the numbers by which cards are known, and the order in which they come.
        static string Words(object told) => told switch
        {
            CardsLetOut(_, var cards, var down, _, _, _) => $"{down.Length} down, {string.Join("; ", cards.Select(Words).Order())}",
            Card c => $"{c.Text} {c.Topic} {c.Author} {c.PutUpAt} {string.Join(",", c.Said.Select(a => $"{a.Text} {a.Author} {a.SaidAt}").Order())}",
            _ => told.GetType().Name,
        };
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void Nothing_that_a_student_is_told_has_in_it_who_else_did_anything(int seed)
    {
        var wall = new WallScript(s_hidden);
        WallPlay.Play(wall, new Random(seed), 200);
        foreach (var reader in new[] { Maya, Ben, s_cara, Actor.Onlooker })
        {
            var theirs = wall.Wall.Clients.Where(c => c.Value.Actor == reader.Number).Select(c => c.Key).ToHashSet();
            foreach (var told in ToldTo(wall, reader).Append<object>(Snapshot(wall, reader)))
            {
                foreach (var (name, number) in NumbersIn(told))
                {
                    // The number of a tab stands in ids from 2^32 on; below 2^52 they are as they were made.
                    if (number is >= 1L << 32 and < 1L << 52) Assert.Contains(Ids.ClientOf(number), theirs);
                    if (name is nameof(Card.Author) or nameof(Card.PutUpBy) or nameof(Judgement.Person) or nameof(CardReworded.Whose) or nameof(Card.AskedToo)) Assert.Contains((int)number, new[] { 0, 1, reader.Number, Links.Nobody });
                }

                if (told is Envelope e) Assert.True(e.Actor.IsStaff || e.Actor.Number == reader.Number);
            }
        }
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void Where_names_are_for_nobody_nothing_that_a_teacher_is_told_has_in_it_who_did_anything_but_for_cards_whose_seal_is_broken(int seed)
    {
        var wall = new WallScript(new(Names: NamesTo.Nobody, Answers: true));
        WallPlay.Play(wall, new Random(seed), 200);
        var blind = Teacher.ReadingWhere(isSealed: true);
        var theirs = wall.Wall.Clients.Where(c => c.Value.Actor == Teacher.Number).Select(c => c.Key).ToHashSet();
        var unsealed = wall.Wall.Cards.Values.Where(c => c.IsUnsealed).Select(c => wall.Wall.Veil.Over(blind, c.Id)).ToHashSet();
        foreach (var told in ToldTo(wall, blind).Append<object>(Snapshot(wall, Teacher)))
        {
            foreach (var (name, number) in NumbersIn(Without(told, unsealed)))
            {
                if (number is >= 1L << 32 and < 1L << 52) Assert.Contains(Ids.ClientOf(number), theirs);
                if (name is nameof(Card.Author) or nameof(Card.PutUpBy) or nameof(Judgement.Person) or nameof(CardReworded.Whose) or nameof(Card.AskedToo) or nameof(WallSnapshot.Held)) Assert.Contains((int)number, new[] { 0, 1, Links.Nobody });
            }

            if (told is Envelope e) Assert.True(e.Actor.IsStaff);
        }

        // The codec leaves out which tabs are whose.
        Assert.Equal(theirs.Order(), ClientsIn(Yardang.Data.Wire.SnapshotCodec.Encode(wall.Wall, Teacher), wall).Order());

        static object Without(object told, HashSet<long> unsealed) => told switch
        {
            Envelope { Event: SealBroken broken } e => e with { Event = broken with { Author = 0 } },
            Envelope { Event: CardsLetOut letOut } e => e with { Event = letOut with { Cards = [.. letOut.Cards.Select(Of)] } },
            Envelope { Event: CardsShown shown } e => e with { Event = shown with { Cards = [.. shown.Cards.Select(Of)] } },
            Envelope { Event: CardPutBack back } e => e with { Event = back with { Card = Of(back.Card) } },
            WallSnapshot snapshot => snapshot with { Cards = [.. snapshot.Cards.Select(Of)] },
            _ => told,
        };

        static Card Of(Card card) => card.IsUnsealed ? card with { Author = 0 } : card;
    }

    [Fact]
    public void What_fewer_than_three_have_written_comes_out_when_a_teacher_asks_once_they_have_been_quiet_for_a_while()
    {
        var wall = new WallScript(new(Names: NamesTo.Nobody));
        IsRefused(Refusal.NotYet, wall.Do(Teacher, new LetCardsOut()));
        wall.PutUp(Maya, "alone");
        IsRefused(Refusal.NotYet, wall.Do(Teacher, new LetCardsOut()));
        Assert.Empty(SeenBy(wall, Teacher));
        var client = wall.Wall.Clients.First(c => c.Value.Actor == Teacher.Number);
        Decision At(long time) => wall.Wall.Decide(new Submission(client.Key, client.Value.HighWater + 1, client.Value.HighWater, 0, new LetCardsOut()), Teacher, Situation.Open with { Time = time });
        var last = wall.Log[^1].Time;
        Assert.IsType<Decision.Refused>(At(last + LetOut.Quiet - 1));
        Assert.IsType<CardsLetOut>(Assert.IsType<Decision.Accepted>(At(last + LetOut.Quiet)).Event);
        wall.PutUp(Ben, "and I");
        wall.PutUp(s_cara, "and I, too");
        wall.Do(Teacher, new LetCardsOut());
        Assert.Equal(["alone", "and I", "and I, too"], SeenBy(wall, Teacher).Select(c => c.Text).Order(StringComparer.Ordinal));
        Assert.All(SeenBy(wall, Teacher), c => Assert.Equal(0, c.Author));
    }

    [Fact]
    public void Neither_showing_all_cards_nor_what_all_said_lets_out_what_few_have_done()
    {
        var wall = new WallScript(new(Names: NamesTo.Nobody, OwnFirst: true, Judging: new(JudgingKind.Agree)));
        wall.PutUp(Maya, "alone");
        var shown = new SetPlan(Plan(new(Names: NamesTo.Nobody, Judging: new(JudgingKind.Agree))));
        IsRefused(Refusal.NotYet, wall.Do(Teacher, shown));
        Assert.Empty(SeenBy(wall, Teacher));
        foreach (var person in new[] { Ben, s_cara }) wall.PutUp(person, "and I");
        Assert.IsType<CardsShown>(Assert.IsType<Decision.Accepted>(wall.Do(Teacher, shown)).Event);
        Assert.Equal(3, SeenBy(wall, Teacher).Count());
        var card = wall.Wall.Cards.Keys.First();
        foreach (var person in new[] { Ben, s_cara }) wall.Do(person, new JudgeCard(wall.Wall.Veil.Over(person, card), 1));
        Assert.Equal(2, wall.Wall.Judgements.People);
        IsRefused(Refusal.NotYet, wall.Do(Teacher, new ShowResults()));
    }

    [Fact]
    public void Breaking_a_seal_needs_a_reason_tells_teachers_whose_one_card_is_and_everybody_that_it_was_done()
    {
        var wall = new WallScript(new(Names: NamesTo.Nobody));
        foreach (var person in new[] { Maya, Ben, s_cara }) wall.PutUp(person, $"by {person.Number}");
        wall.PutUp(Maya, "by 2, again");
        wall.Do(Teacher, new LetCardsOut());
        var card = SeenBy(wall, Teacher).Single(c => c.Text == "by 2");
        IsRefused(Refusal.OutOfRange, wall.Do(Teacher, new BreakSeal(card.Id, " ")));
        IsRefused(Refusal.OutOfRange, wall.Do(Teacher, new BreakSeal(card.Id, new string('x', Seal.ReasonLength + 1))));
        IsRefused(Refusal.NotFound, wall.Do(Teacher, new BreakSeal(wall.Wall.Cards.Keys.First(), "It hurts somebody")));
        IsRefused(Refusal.NotAllowed, wall.Do(Ben, new BreakSeal(wall.Wall.Veil.Over(Ben, wall.Wall.Cards.Keys.First()), "I want to know")));
        wall.Do(Teacher, new BreakSeal(card.Id, "It hurts somebody"));
        IsRefused(Refusal.ChangedSince, wall.Do(Teacher, new BreakSeal(card.Id, "again")));
        Assert.Equal([("by 2", Maya.Number)], SeenBy(wall, Teacher).Where(c => c.Author != 0).Select(c => (c.Text, c.Author)));
        foreach (var reader in new[] { Ben, s_cara, Actor.Onlooker })
        {
            var seen = SeenBy(wall, reader).Single(c => c.Text == "by 2");
            Assert.Equal(("It hurts somebody", 0), (seen.Unsealed, seen.Author));
        }

        IsRefused(Refusal.NotAllowed, new WallScript(new(Names: NamesTo.Teachers)).Do(Teacher, new BreakSeal(1, "no seal")));
    }

    [Fact]
    public void Names_are_for_nobody_only_from_the_beginning_and_nothing_is_decided_about_a_person()
    {
        var wall = new WallScript(new(Names: NamesTo.Teachers));
        wall.Do(Teacher, new SetPlan(Plan(new(Names: NamesTo.Nobody))));
        Assert.True(wall.Wall.IsSealed);
        wall.PutUp(Maya, "without a name");
        foreach (var names in new[] { NamesTo.Everybody, NamesTo.Teachers }) IsRefused(Refusal.NotAllowed, wall.Do(Teacher, new SetPlan(Plan(new(Names: names)))));
        IsRefused(Refusal.NotAllowed, wall.Do(Teacher, new PutUpCard(wall.NextId(Teacher), 11, "en", "said aloud", For: Maya.Number)));
        IsRefused(Refusal.NotAllowed, wall.Do(Teacher, new GiveReading(Maya.Number, [])));
        wall.Allowed = new Allowed(PensDown: true);
        IsRefused(Refusal.TooLate, wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", "too late")));
        var named = new WallScript();
        named.PutUp(Maya, "with a name");
        IsRefused(Refusal.NotAllowed, named.Do(Teacher, new SetPlan(Plan(new(Names: NamesTo.Nobody)))));
    }

    [Fact]
    public void In_which_order_cards_were_put_up_cannot_be_seen()
    {
        var orders = new HashSet<string>();
        for (var key = 0UL; key < 20; key++)
        {
            var wall = new Wall(Plan(s_hidden), new(key, key));
            foreach (var actor in new[] { Maya, Ben, s_cara })
            {
                Take(wall, actor, new Submission(0, 0, 0, 0, new AdmitClient()));
                var client = wall.Clients.Single(c => c.Value.Actor == actor.Number).Key;
                Take(wall, actor, new Submission(client, 1, 0, 0, new PutUpCard(Ids.Of(client, 1), 11, "en", $"by {actor.Number}")));
            }

            Take(wall, Actor.Program, Submission.ByProgram(new LetCardsOut()));
            orders.Add(string.Join(", ", ((WallSnapshot)Snapshots.Of(wall, s_dana)).Cards.OrderBy(c => c.Order).Select(c => c.Text)));
        }

        Assert.True(orders.Count > 3);
    }

    [Fact]
    public void What_was_written_without_names_stays_without_names()
    {
        var wall = new WallScript(s_hidden);
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new SetPlan(Plan())));
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new SetPlan(Plan(s_hidden))));
        wall.PutUp(Maya, "arch");
        Assert.Equal(Refused(Refusal.NotAllowed), wall.Do(Teacher, new SetPlan(Plan())));
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new SetPlan(Plan(s_hidden with { Least = 2 }))));
    }

    [Fact]
    public void Names_can_be_hidden_while_the_wall_runs()
    {
        var wall = new WallScript();
        wall.PutUp(Maya, "arch");
        Assert.Equal(Maya.Number, SeenBy(wall, Ben).Single().Author);
        Assert.Null(wall.Wall.NamesHidden);
        wall.Do(Teacher, new SetPlan(Plan(s_hidden)));
        Assert.NotNull(wall.Wall.NamesHidden);
        Assert.Equal(0, SeenBy(wall, Ben).Single().Author);
        wall.PutUp(Maya, "vault");
        Assert.Single(SeenBy(wall, Ben));
    }

    [Fact]
    public void Links_between_ones_own_cards_alone_would_tell_whose_cards_are_one_students()
    {
        var plan = Plan(s_hidden) with { Purpose = Purpose.Connect, Field = FieldPlan.Blank with { OwnOnly = true } };
        Assert.False(plan.LinksOwnOnly);
        Assert.True((plan with { Rules = WallRules.Free }).LinksOwnOnly);
        var wall = new WallScript(s_hidden, purpose: Purpose.Connect);
        wall.Do(Teacher, new SetPlan(plan));
        var arch = wall.PutUp(Maya, "arch");
        var pier = wall.PutUp(s_cara, "pier");
        wall.Do(Teacher, new LetCardsOut());
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new LinkCards(wall.NextId(Ben), wall.Wall.Veil.Over(Ben, arch), wall.Wall.Veil.Over(Ben, pier), 0, "en", "pushes on")));
        Assert.Empty(Snapshot(wall, Maya).Links);
        wall.Do(Teacher, new LetCardsOut());
        Assert.Equal(0, Snapshot(wall, Maya).Links.Single().Author);
        Assert.Equal(arch, Snapshot(wall, Maya).Links.Single().From);
    }

    [Fact]
    public void As_long_as_something_waits_the_log_is_kept_to()
    {
        var wall = new WallScript(s_hidden);
        Assert.True(wall.Wall.IsSettled);
        wall.PutUp(Maya, "arch");
        Assert.False(wall.Wall.IsSettled);
        wall.Do(Teacher, new LetCardsOut());
        Assert.True(wall.Wall.IsSettled);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(2)]
    public void An_id_under_the_veil_stands_for_one_id_alone(int seed)
    {
        var random = new Random(seed);
        var veil = new Veil(new((ulong)random.NextInt64(), (ulong)random.NextInt64()));
        var other = new Veil(new((ulong)random.NextInt64(), (ulong)random.NextInt64()));
        var ids = Enumerable.Range(1, 40).SelectMany(client => Enumerable.Range(1, 40).Select(n => Ids.Of(client, n))).Append(Ids.Of(Ids.FirstDraftClient - 1, int.MaxValue)).ToList();
        var over = ids.ConvertAll(id => veil.Over(Ben, id));
        Assert.Equal(ids.Count, over.Distinct().Count());
        Assert.All(over, id => Assert.InRange(id, 1L << 52, (1L << 53) - 1));
        Assert.Equal(ids, over.ConvertAll(id => veil.Lift(Ben, id)));
        Assert.NotEqual(over[0], other.Over(Ben, ids[0]));
        Assert.Equal(Veil.Unknown, veil.Lift(Ben, ids[0]));
        Assert.Equal([0, -1, 7], new long[] { 0, -1, 7 }.Select(id => veil.Over(Ben, id)));
    }

    [Fact]
    public void No_command_and_no_event_of_a_wall_keeps_the_id_of_a_card_an_answer_or_a_link_under_the_veil()
    {
        string[] ids = ["Id", "Card", "To", "From", "Beside", "Answer"];
        var id = Ids.Of(3, 5);
        var veil = new Veil(default);
        var kinds = typeof(Wall).Assembly.GetTypes().Where(t => t.Namespace == typeof(Wall).Namespace && (t.IsSubclassOf(typeof(Command)) || t.IsSubclassOf(typeof(RoomEvent))));
        var looked = 0;
        foreach (var kind in kinds)
        {
            var head = kind.GetConstructors()[0].GetParameters();
            var named = head.Where(p => p.ParameterType == typeof(long) && ids.Contains(p.Name)).Select(p => kind.GetProperty(p.Name!)!).ToList();
            if (named.Count == 0) continue;
            looked++;
            var made = kind.GetConstructors()[0].Invoke([.. head.Select(p => Some(p.ParameterType))]);
            var after = made is Command command ? (object)command.WithIds(known => veil.Over(Ben, known)) : HiddenNames.AsTold(Ben, new(1, 0, Ben, 0, 0, 0, Audience.Everyone, (RoomEvent)made), veil).Event;
            Assert.All(named, p => Assert.True((long)p.GetValue(after)! >= 1L << 52, $"{kind.Name}.{p.Name}"));
        }

        Assert.True(looked > 30);
        object? Some(Type type) => type == typeof(long) ? id : type == typeof(string) ? "" : type == typeof(Answer) ? new Answer(id, id, 2, ByStaff: false, "en", "", 0) : type.IsValueType ? Activator.CreateInstance(type) : null;
    }

    public static TheoryData<int> Seeds() => [.. Enumerable.Range(200, 25)];

    private static Decision.Refused Refused(Refusal reason) => new Decision.Refused(reason);

    private static void IsRefused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);

    private static IEnumerable<int> ClientsIn(byte[] snapshot, WallScript wall)
    {
        var copy = new Wall(wall.Wall.Plan) { IsCopy = true };
        Assert.True(Yardang.Data.Wire.SnapshotCodec.Restore(snapshot, copy));
        return copy.Clients.Keys;
    }

    private static WallSnapshot Snapshot(WallScript wall, Actor reader) => (WallSnapshot)Snapshots.Of(wall.Wall, reader);

    private static IEnumerable<Card> SeenBy(WallScript wall, Actor reader) => Snapshot(wall, reader).Cards.Where(c => c.IsUp);

    private static List<Envelope> ToldTo(WallScript wall, Actor reader) => [.. wall.Log.Where(e => e.Event is not ClientAdmitted && Sight.Of(reader, e)).Select(e => HiddenNames.AsTold(reader, e, wall.Wall.Veil))];

    // What the program lets out by itself; null if it did.
    private static Refusal? Program(WallScript wall) => Take(wall.Wall, Actor.Program, Submission.ByProgram(new LetCardsOut()), wall.Log);

    private static Refusal? Take(Wall wall, Actor actor, Submission submission, List<Envelope>? log = null)
    {
        var decision = wall.Decide(submission, actor, new Situation(Allowed.Everything, 1_000, 0));
        if (decision is not Decision.Accepted accepted) return (decision as Decision.Refused)?.Reason;
        var envelope = new Envelope(wall.Number + 1, 1_000, actor, submission.Client, submission.Counter, 0, accepted.Audience, accepted.Event);
        log?.Add(envelope);
        wall.Apply(envelope);
        return null;
    }

    // Every whole number in something, with the name under which it stands.
    private static IEnumerable<(string Name, long Number)> NumbersIn(object? value, string name = "")
    {
        switch (value)
        {
            case null or string or WallPlan or bool or double or Enum: yield break;
            case int number: yield return (name, number); break;
            case long number: yield return (name, number); break;
            case IEnumerable many:
                if (value.GetType() is { IsGenericType: true } type && type.GetProperty("IsDefault")?.GetValue(value) is true) yield break;
                foreach (var found in many.Cast<object>().SelectMany(v => NumbersIn(v, name))) yield return found;
                break;
            default:
                if (value.GetType().Namespace?.StartsWith("Yardang", StringComparison.Ordinal) != true) yield break;
                foreach (var property in value.GetType().GetProperties(BindingFlags.Public | BindingFlags.Instance).Where(p => p.GetIndexParameters().Length == 0))
                {
                    foreach (var found in NumbersIn(property.GetValue(value), property.Name)) yield return found;
                }

                break;
        }
    }
}
