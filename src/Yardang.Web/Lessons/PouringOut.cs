using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>What came of pouring cards out.</summary>
/// <param name="Walls">How many walls there are.</param>
/// <param name="Poured">How many cards came onto them, altogether.</param>
/// <param name="Left">How many did not: the wall is full.</param>
public sealed record PouredOut(int Walls, int Poured, int Left);

/// <summary>Pours the cards of a wall out onto the walls of another part, where each group, or each student, sorts them.</summary>
public sealed class PouringOut(IDbContextFactory<SchoolContext> school, RoomHosts hosts, LessonPeople people, FrozenVersions versions)
{
    /// <summary>Where a wall is in a lesson; null if it is not in it.</summary>
    public async Task<RoomPlace?> PlaceAsync(LessonRecord lesson, Guid wall)
    {
        await using var db = await school.CreateDbContextAsync();
        return (await db.RoomsOf(lesson.Id).SingleOrDefaultAsync(r => r.Id == wall))?.Place;
    }

    /// <summary>The parts into which the cards of a wall can be poured: others, where cards are sorted on several walls.</summary>
    public async Task<IReadOnlyList<LessonPart>> TargetsAsync(LessonRecord lesson, int from)
    {
        var version = await versions.OfAsync(lesson.VersionId);
        return [.. lesson.Parts.Where(p => p.Number != from && IsSortedApart(p) && version.Find(p.Number)!.Wall!.Purpose == Purpose.Sort)];
    }

    /// <summary>Whether cards that were poured into a part can be compared: it has several walls.</summary>
    public static bool IsSortedApart(LessonPart part) => part.RoomKind == RoomKind.Wall && part.Way != Way.AllTogether;

    /// <summary>The cards that can be poured out of a wall, as they stand: those of which the whole class may know, each stack as one.</summary>
    public static IReadOnlyList<Card> CardsOf(Wall wall)
    {
        if (wall.Plan.Rules.OwnFirst) return [];
        var topics = wall.Plan.Topics.Select((t, i) => (t.Id, i)).ToDictionary(t => t.Id, t => t.i);
        var roots = Stacks.Of(wall.Known);
        return [.. wall.Known.Where(c => roots.Contains(c.Id)).OrderBy(c => topics.GetValueOrDefault(c.Topic, int.MaxValue)).ThenBy(c => c.Order).ThenBy(c => c.Id).Take(Pouring.MostCards)];
    }

    /// <summary>Pours them out. What is or was on a wall already does not come there again.</summary>
    /// <param name="lesson">The lesson.</param>
    /// <param name="teacher">Who does it.</param>
    /// <param name="from">The wall.</param>
    /// <param name="part">Into which part.</param>
    /// <param name="toEach">Whether all cards come onto each wall; else an even share.</param>
    public async Task<PouredOut> PourAsync(LessonRecord lesson, Actor teacher, RoomHost from, LessonPart part, bool toEach)
    {
        var cards = new Dictionary<long, Card>();
        await from.LookAsync(r =>
        {
            var wall = (Wall)r;
            cards = CardsOf(wall).ToDictionary(c => wall.PouredAs(c.Id));
        });
        var walls = new List<RoomHost>();
        foreach (var room in await RoomsAsync(lesson, part)) walls.Add(await hosts.GetAsync(room));
        var has = new List<IReadOnlySet<long>>();
        foreach (var wall in walls) await wall.LookAsync(r => has.Add(((Wall)r).Cards.Values.Select(c => c.Poured).Where(p => p > 0).ToHashSet()));
        var dealt = Pouring.Deal(cards.Keys, has, toEach);
        var poured = await Task.WhenAll(walls.Select((wall, i) => PourAsync(wall, teacher, [.. dealt[i].Select(p => (p, cards[p]))])));
        return new(walls.Count, poured.Sum(), dealt.Sum(d => d.Length) - poured.Sum());
    }

    // The walls of groups, of those who are in none, or of each; made where nobody has been yet.
    private async Task<IReadOnlyList<Guid>> RoomsAsync(LessonRecord lesson, LessonPart part)
    {
        var plan = await LessonPlan.OfAsync(await hosts.GetAsync(lesson.Id));
        var groups = lesson.Parts.IsByGroup(part) ? plan.Grouping.Now.Select(g => new RoomPlace(part.Number, Whose.Group, g.Number)) : [];
        var others = (await people.InAsync(lesson.Id)).Where(p => p.Standing == Standing.In).Select(p => lesson.Parts.PlaceIn(part, p.Number, p.Group));
        await using var db = await school.CreateDbContextAsync();
        var rooms = new List<Guid>();
        foreach (var place in groups.Concat(others).Distinct()) rooms.Add(await Seating.RoomAsync(db, lesson, place));
        return rooms;
    }

    // Cards that nobody may move cannot be sorted: from then on anybody may.
    private static async Task<int> PourAsync(RoomHost wall, Actor teacher, ImmutableArray<(long Poured, Card Card)> cards)
    {
        if (cards.IsEmpty) return 0;
        WallPlan plan = WallPlan.Blank;
        await wall.LookAsync(r => plan = ((Wall)r).Plan);
        if ((await wall.SubmitAsync(new AdmitClient(), teacher)).Envelope?.Event is not ClientAdmitted { Number: var client }) return 0;
        var counter = 0;
        async Task<bool> IsDoneAsync(Command command)
        {
            var (_, envelope) = await wall.SubmitAsync(new Submission(client, counter + 1, counter, 0, command), teacher, CancellationToken.None);
            counter++;
            return envelope is not null;
        }

        if (!plan.Rules.AnyMoves || plan.Rules.OwnFirst) await IsDoneAsync(new SetPlan(plan with { Rules = plan.Rules with { AnyMoves = true, OwnFirst = false } }));
        var done = 0;
        foreach (var (number, card) in cards)
        {
            if (await IsDoneAsync(new PutUpCard(Ids.Of(client, counter + 1), WallPlan.Nowhere, card.Language, card.Text, card.Attachments, Poured: number))) done++;
        }

        return done;
    }
}
