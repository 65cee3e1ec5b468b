using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Editing;

/// <summary>What is expected of a zone.</summary>
public sealed record ZoneKey(long Zone, Expectation Expected);

/// <summary>The answer key of a board, whole: what only teachers see, and what is expected of zones.</summary>
/// <param name="Marks">The marks of the key, by id.</param>
/// <param name="Zones">The zones of which something is expected, by id.</param>
public sealed record AnswerKey(ImmutableArray<Mark> Marks, ImmutableArray<ZoneKey> Zones)
{
    /// <summary>The key that goes with what a board was given: for each page, as it was handed out last.</summary>
    /// <param name="version">What the lesson began with.</param>
    /// <param name="changes">What the board has been given since, in order.</param>
    public static AnswerKey Of(ActivityContent version, IEnumerable<LateContent> changes)
    {
        var given = version.Pages.ToDictionary(p => p.Id, _ => version);
        foreach (var change in changes)
        {
            foreach (var page in change.Pages) given[page] = change.Activity;
        }

        return Of(given.SelectMany(g => g.Value.Marks.Where(m => m.Page == g.Key)));
    }

    /// <summary>The key that is among some marks.</summary>
    public static AnswerKey In(IEnumerable<Mark> marks) => Of(marks);

    /// <summary>An activity without its key: what may be told to everybody.</summary>
    public static ActivityContent Without(ActivityContent content) =>
        content with { Marks = [.. content.Marks.Where(m => m.Grip != Grip.Key).Select(m => m.AsTold())] };

    /// <summary>The key that stands on a board.</summary>
    public static AnswerKey On(Sheets board) => Of(board.Marks.Values);

    /// <summary>
    /// The key as it can stand on this board: what students know under an id of the key (it was printed once, or is now) keeps that id, and the key gets another,
    /// of the last client number there is.
    /// </summary>
    public AnswerKey FitTo(Sheets board)
    {
        var renamed = Marks.Select((m, i) => (m.Id, New: Ids.Of(Ids.ClientLimit - 1, i + 1)))
            .Where(m => board.Marks.TryGetValue(m.Id, out var there) && there.Grip != Grip.Key)
            .ToDictionary(m => m.Id, m => m.New);
        long Fitting(long id) => renamed.GetValueOrDefault(id, id);
        return this with
        {
            Marks =
            [
                .. Marks.Select(m => m with
                {
                    Id = Fitting(m.Id),
                    Body = m.Body.WithEnds(Fitting),
                }).OrderBy(m => m.Id),
            ],
        };
    }

    /// <summary>Whether two keys say the same.</summary>
    public bool IsSameAs(AnswerKey other) => Marks.Length == other.Marks.Length && Zones.Length == other.Zones.Length
        && Marks.Zip(other.Marks).All(pair => ActivityJson.AreSame(pair.First, pair.Second))
        && Zones.Zip(other.Zones).All(pair => ActivityJson.AreSame(pair.First, pair.Second));

    private static AnswerKey Of(IEnumerable<Mark> marks)
    {
        var all = marks.OrderBy(m => m.Id).ToList();
        return new(
            [.. all.Where(m => m.Grip == Grip.Key && !m.Erased)],
            [.. all.Where(m => m.Grip != Grip.Key).Select(m => m.Body is ZoneBody { Expected: { } expected } ? new ZoneKey(m.Id, expected) : null).OfType<ZoneKey>()]);
    }
}

/// <summary>The program puts another answer key on a board.</summary>
public sealed record SetKey(AnswerKey Key) : Command;

/// <summary>The answer key of a board is this from now on. Told to teachers only.</summary>
[Kind(21)]
public sealed record KeySet([Inline] AnswerKey Key) : RoomEvent;
