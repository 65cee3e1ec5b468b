using System.Collections.Immutable;
using Yardang.Core.Boards;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;

namespace Yardang.Core.Needs;

/// <summary>
/// What may be mischief, for the teacher alone and without a noise: much of what others made is taken away or moved, one rewrites what many wrote, several have told
/// of somebody's things. Who is not on the class list stands at the door. Kept while a lesson is open on the server, and not stored: nothing of it becomes a record of a child.
/// </summary>
public sealed record QuietAlerts
{
    /// <summary>Nothing was seen.</summary>
    public static readonly QuietAlerts None = new();

    /// <summary>In so long much is much, ms.</summary>
    public const long Span = 60_000;

    /// <summary>So many things of others removed are much.</summary>
    public const int MuchRemoved = 5;

    /// <summary>So many things of others removed or moved are much.</summary>
    public const int MuchMoved = 15;

    /// <summary>In so long many are many, ms.</summary>
    public const long RewritingSpan = 3 * 60_000;

    /// <summary>What so many others made is what many made.</summary>
    public const int Many = 4;

    /// <summary>When so many have told of somebody's things.</summary>
    public const int ManyTold = 3;

    /// <summary>For so long it is listed after it was seen last, ms.</summary>
    public const long ListedFor = 15 * 60_000;

    /// <summary>More is not remembered; the oldest goes.</summary>
    public const int MostTouches = 5_000;

    // The newest last.
    private ImmutableQueue<(Guid Room, Touch Touch)> Touches { get; init; } = [];

    private int Count { get; init; }

    private ImmutableDictionary<(int Person, NeedKind Kind), Need> Seen { get; init; } = ImmutableDictionary<(int, NeedKind), Need>.Empty;

    /// <summary>What is known now that more was done in a room.</summary>
    /// <param name="room">Which.</param>
    /// <param name="more">What students did to things of others since it was looked last, in order.</param>
    /// <param name="now">Server time, ms.</param>
    public QuietAlerts With(Guid room, IReadOnlyCollection<Touch> more, long now)
    {
        if (more.Count == 0) return this;
        var (touches, count) = (Touches, Count);
        foreach (var touch in more) (touches, count) = (touches.Enqueue((room, touch)), count + 1);
        while (count > 0 && (count > MostTouches || touches.Peek().Touch.At < now - RewritingSpan)) (touches, count) = (touches.Dequeue(), count - 1);
        var seen = Seen;
        foreach (var person in more.Select(t => t.Person).Distinct())
        {
            foreach (var alert in Of(person, touches, now)) seen = seen.SetItem((person, alert.Kind), alert with { Since = Begun(seen, alert, now) });
        }

        return this with { Touches = touches, Count = count, Seen = seen };
    }

    /// <summary>What is to be listed of what was done.</summary>
    public IEnumerable<Need> Listed(long now) => Seen.Values.Where(a => now - a.Since < ListedFor);

    /// <summary>Who has things in a room of which several have told: how many, since when it was many. Where names are for nobody, nobody.</summary>
    public static IEnumerable<Need> ToldOf(Guid id, Room room)
    {
        if (room.IsSealed || room is not IWorkRoom work) return [];
        return work.Concerns.Open.Select(c => (Concern: c, Whose: AuthorOf(room, c)))
            .Where(c => c.Whose is not null)
            .GroupBy(c => c.Whose!.Value)
            .Select(g => (Person: g.Key, Told: g.GroupBy(c => c.Concern.Person).Select(p => p.Min(c => c.Concern.At)).Order().ToList()))
            .Where(g => g.Told.Count >= ManyTold)
            .Select(g => new Need(NeedKind.ToldOf, g.Person, g.Told[^1], Others: g.Told.Count, Board: id))
            .ToList();
    }

    private static IEnumerable<Need> Of(int person, IEnumerable<(Guid Room, Touch Touch)> all, long now)
    {
        var own = all.Where(t => t.Touch.Person == person).ToList();
        var lately = own.Where(t => t.Touch.At >= now - Span && t.Touch.What != Touching.Changed).ToList();
        if (lately.Count(t => t.Touch.What == Touching.Removed) >= MuchRemoved || lately.Count >= MuchMoved)
            yield return new(NeedKind.ClearsAway, person, now, Others: lately.Select(t => t.Touch.Whose).Distinct().Count(), Count: lately.Count, Board: lately[^1].Room);
        var rewritten = own.Where(t => t.Touch.What == Touching.Changed).ToList();
        if (rewritten.Select(t => t.Touch.Whose).Distinct().Count() is >= Many and var others)
            yield return new(NeedKind.Rewrites, person, now, Others: others, Count: rewritten.Count, Board: rewritten[^1].Room);
    }

    // What goes on is one thing; after a rest it is another.
    private static long Begun(ImmutableDictionary<(int, NeedKind), Need> seen, Need alert, long now) =>
        seen.TryGetValue((alert.Person, alert.Kind), out var before) && now - before.Since < RewritingSpan ? before.Since : alert.Since;

    private static int? AuthorOf(Room room, Concern concern)
    {
        var (answers, author) = room switch
        {
            Wall wall when wall.Cards.TryGetValue(concern.About, out var card) => (card.Said, card.ByStaff ? null : (int?)card.Author),
            Board board when board.Sheets.Marks.TryGetValue(concern.About, out var mark) => (board.Talk.About(mark.Id), mark.ByStaff ? null : (int?)mark.Author),
            _ => ([], null),
        };
        if (concern.Answer == 0) return author;
        return answers.FirstOrDefault(a => a.Id == concern.Answer) is { ByStaff: false } answer ? answer.Author : null;
    }
}
