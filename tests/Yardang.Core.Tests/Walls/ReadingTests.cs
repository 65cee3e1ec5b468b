using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>Reading lists: who reads what, so that no card stays unread.</summary>
public class ReadingTests
{
    [Fact]
    public void However_cards_and_readers_are_nobody_reads_their_own_and_readers_differ_by_at_most_one()
    {
        var random = new Random(3);
        for (var trial = 0; trial < 400; trial++)
        {
            var people = Enumerable.Range(2, random.Next(2, 9)).ToList();
            var cards = Enumerable.Range(1, random.Next(1, 25)).Select(i => ((long)i, Author: random.Next(4) == 0 ? 0 : random.Next(3) == 0 ? 2 : random.Next(2, 12))).ToList();
            var each = random.Next(1, 6);
            var dealt = ReadingLists.Deal(cards, people, each, new Dictionary<int, ReadingList>());
            Assert.Equal(people, dealt.Keys.Order());
            foreach (var (person, theirs) in dealt)
            {
                Assert.Equal(theirs.Length, theirs.Distinct().Count());
                Assert.Equal(Math.Min(each, cards.Count(c => c.Author != person)), theirs.Length);
                Assert.All(theirs, id => Assert.NotEqual(person, cards.Single(c => c.Item1 == id).Author));
            }

            var load = cards.Select(c => dealt.Values.Count(l => l.Contains(c.Item1))).ToList();
            Assert.True(load.Max() - load.Min() <= 1, $"trial {trial}: {string.Join(' ', load)}");
        }
    }

    [Fact]
    public void When_somebody_is_away_their_cards_are_dealt_again_and_what_was_read_counts()
    {
        var wall = new WallScript();
        long[] cards = [.. Enumerable.Range(0, 6).Select(i => wall.PutUp(Teacher, $"idea {i}"))];
        var read = ReadingLists.Deal([.. cards.Select(c => (c, 0))], [2, 3, 4], 2, wall.Wall.Reading.All);
        Assert.Equal(cards, read.Values.SelectMany(l => l).Order());
        foreach (var (person, list) in read) wall.Do(Teacher, new GiveReading(person, list));
        foreach (var card in read[2]) wall.Do(Maya, new ReadCard(card));
        wall.Do(Ben, new ReadCard(read[3][0]));

        // Cleo is away: Maya and Ben get what nobody has read yet.
        var again = ReadingLists.Deal([.. cards.Select(c => (c, 0))], [2, 3], 2, wall.Wall.Reading.All);
        Assert.Empty(again[2].Intersect(read[2]));
        Assert.Equal(read[4].Append(read[3][1]).Order(), again.Values.SelectMany(l => l).Distinct().Where(c => !read[2].Contains(c) && c != read[3][0]).Order());
        wall.Do(Teacher, new GiveReading(4, []));
        Assert.Empty(wall.Wall.Reading.All[4].Cards);
        wall.Do(Teacher, new GiveReading(2, again[2]));
        Assert.Equal(read[2].Concat(again[2]).Order(), wall.Wall.Reading.All[2].Cards);
        Assert.Equal(again[2].Order(), wall.Wall.Reading.All[2].Unread);
    }

    [Fact]
    public void A_list_is_given_by_teachers_with_cards_that_are_there_and_not_ones_own()
    {
        var wall = new WallScript();
        var (mayas, down) = (wall.PutUp(Maya, "arches push"), wall.PutUp(Maya, "down"));
        wall.Do(Maya, new TakeCardDown(down));
        Refused(Refusal.NotAllowed, wall.Do(Ben, new GiveReading(Ben.Number, [mayas])));
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new GiveReading(Maya.Number, [mayas])));
        Refused(Refusal.NotFound, wall.Do(Teacher, new GiveReading(Ben.Number, [down])));
        Refused(Refusal.OutOfRange, wall.Do(Teacher, new GiveReading(0, [mayas])));
        Refused(Refusal.OutOfRange, wall.Do(Teacher, new GiveReading(Ben.Number, [mayas, mayas])));
        Refused(Refusal.OutOfRange, wall.Do(Teacher, new GiveReading(Ben.Number, [.. Enumerable.Range(0, ReadingLists.MostEach + 1).Select(i => (long)i)])));
        Refused(Refusal.NotFound, wall.Do(Ben, new ReadCard(mayas)));
        wall.Do(Teacher, new GiveReading(Ben.Number, [mayas]));
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new ReadCard(mayas)));
        Refused(Refusal.NotFound, wall.Do(Maya, new ReadCard(mayas)));
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new ReadCard(mayas)));
        Refused(Refusal.ChangedSince, wall.Do(Ben, new ReadCard(mayas)));
        wall.Do(Teacher, new SetPlan(Plan(new(OwnFirst: true))));
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new GiveReading(Ben.Number, [mayas])));
    }

    [Fact]
    public void A_list_is_seen_by_whom_it_is_for_and_by_teachers()
    {
        var wall = new WallScript();
        var card = wall.PutUp(Maya, "arches push");
        wall.Do(Teacher, new GiveReading(Ben.Number, [card]));
        wall.Do(Ben, new ReadCard(card));
        Assert.Equal([false, false], Told(Maya));
        Assert.Equal([true, true], Told(Ben));
        Assert.Equal([true, true], Told(Teacher));
        Assert.Empty(((WallSnapshot)Snapshots.Of(wall.Wall, Maya)).Reading);
        Assert.Single(((WallSnapshot)Snapshots.Of(wall.Wall, Ben)).Reading);

        IEnumerable<bool> Told(Actor reader) => wall.Log.Where(e => e.Event is ReadingGiven or CardRead).Select(e => Sight.Of(reader, e));
    }

    [Fact]
    public void Where_names_are_hidden_nobody_is_given_what_was_not_let_out()
    {
        var wall = new WallScript(new(Names: NamesTo.Teachers));
        var card = wall.PutUp(Maya, "arches push");
        Refused(Refusal.NotFound, wall.Do(Teacher, new GiveReading(Ben.Number, [card])));
        wall.Do(Teacher, new LetCardsOut());
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new GiveReading(Ben.Number, [card])));
        var id = ((WallSnapshot)Snapshots.Of(wall.Wall, Ben)).Reading.Single().Cards.Single();
        Assert.True(Veil.IsOver(id));
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new ReadCard(id)));
    }

    private static void Refused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);
}
