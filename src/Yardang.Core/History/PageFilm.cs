using System.Collections.Immutable;
using Yardang.Core.Boards;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;

namespace Yardang.Core.History;

/// <summary>A mark as it looked for a while.</summary>
/// <param name="Mark">As it looked.</param>
/// <param name="From">From when on, seconds of the film.</param>
/// <param name="Until">Until when; the film's end if it still looks so.</param>
public sealed record FilmedMark(Mark Mark, double From, double Until);

/// <summary>How a page came to be, as a film: rests are cut, and it is as much faster as it has to be to last no longer than <see cref="Longest"/>.</summary>
/// <param name="Seconds">How long it is.</param>
/// <param name="Marks">What is seen in it, back to front.</param>
public sealed record PageFilm(double Seconds, ImmutableArray<FilmedMark> Marks)
{
    /// <summary>The longest that a film lasts, seconds.</summary>
    public const double Longest = 30;

    private const double LongestRest = 1;
    private const double Frame = 0.1;

    /// <summary>The film of a page.</summary>
    /// <param name="board">The board as it was in the beginning; afterwards it is as it is now.</param>
    /// <param name="log">Everything that happened there.</param>
    /// <param name="page">Which page.</param>
    /// <param name="isShown">Whether a mark is shown to whoever will look at it.</param>
    public static PageFilm Of(Board board, IReadOnlyList<Envelope> log, long page, Func<Mark, bool> isShown)
    {
        var times = Times(log);
        var seen = new Dictionary<long, (ImmutableArray<Mark> Made, Mark Mark, double From)>();
        var marks = new List<FilmedMark>();
        void Look(double at)
        {
            var visible = board.Sheets.Visible(page).Where(isShown).ToDictionary(m => m.Id);
            foreach (var (id, before) in seen.ToList())
            {
                if (visible.TryGetValue(id, out _) && IsSame(before.Made, MadeOf(board, id))) continue;
                marks.Add(new(before.Mark, before.From, at));
                seen.Remove(id);
            }

            foreach (var (id, mark) in visible.Where(v => !seen.ContainsKey(v.Key))) seen[id] = (MadeOf(board, id), mark, at);
        }

        Look(0);
        var frame = 0.0;
        for (var i = 0; i < log.Count; i++)
        {
            board.Apply(log[i]);
            if (i + 1 < log.Count && times[i + 1] < frame + Frame) continue;
            frame = times[i];
            Look(frame);
        }

        // What went with the last step is gone before the end.
        var end = (times.Length == 0 ? 0 : times[^1]) + Frame;
        marks.AddRange(seen.Values.Select(s => new FilmedMark(s.Mark, s.From, end)));
        return new(end, [.. marks.Where(m => m.Until > m.From).OrderBy(m => m.Mark.Order).ThenBy(m => m.Mark.Id).ThenBy(m => m.From)]);
    }

    // What a connector looks like follows from what it connects, too.
    private static ImmutableArray<Mark> MadeOf(Board board, long id) => board.Sheets.Marks.GetValueOrDefault(id) is { } mark
        ? [mark, .. mark.Body.Ends().Select(end => board.Sheets.Marks.GetValueOrDefault(end)).OfType<Mark>()] : [];

    private static bool IsSame(ImmutableArray<Mark> a, ImmutableArray<Mark> b) => a.Length == b.Length && a.Zip(b).All(pair => ReferenceEquals(pair.First, pair.Second));

    private static double[] Times(IReadOnlyList<Envelope> log)
    {
        var times = new double[log.Count];
        for (var i = 1; i < log.Count; i++) times[i] = times[i - 1] + Math.Clamp((log[i].Time - log[i - 1].Time) / 1000.0, 0, LongestRest);
        var faster = times.Length > 0 && times[^1] > Longest - Frame ? (Longest - Frame) / times[^1] : 1;
        return [.. times.Select(t => t * faster)];
    }
}
