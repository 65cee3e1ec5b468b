using System.Collections.Concurrent;
using System.Security.Cryptography;
using System.Text;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Data.School;

namespace Yardang.Web.Access;

/// <summary>
/// The three words that bring a student back on another device. Guessing is slowed down for each lesson, whoever tries: 60 wrong keys in 10 minutes. So a
/// lesson of 30 that is open all day and attacked all day gives a guesser 8,640 tries at 30 of 10^8 keys: one chance in 400.
/// </summary>
public sealed class ReentryKeys(DataFolder folder, IDbContextFactory<SchoolContext> school, TimeProvider clock)
{
    private const int FailuresPerWindow = 60;
    private static readonly TimeSpan s_window = TimeSpan.FromMinutes(10);

    private readonly Lazy<byte[]> _secret = new(() => ServerSecret.In(folder.ReentrySecret));
    private readonly ConcurrentDictionary<Guid, (long Start, int Failures)> _failures = new();

    /// <summary>A participant's key.</summary>
    public ReentryKey Of(ParticipantRecord participant) => ReentryKey.Of(_secret.Value, participant.Id, participant.KeyRound);

    /// <summary>Whether there were too many wrong keys for this lesson lately.</summary>
    public bool MustWait(Guid lesson) => _failures.TryGetValue(lesson, out var seen) && clock.GetElapsedTime(seen.Start) < s_window && seen.Failures >= FailuresPerWindow;

    /// <summary>Whose key it is in a lesson; null if it is nobody's, or too many were wrong lately.</summary>
    public async Task<ParticipantRecord?> FindAsync(Guid lesson, string? typed)
    {
        if (MustWait(lesson)) return null;
        if (ReentryKey.Read(typed) is { } key)
        {
            await using var db = await school.CreateDbContextAsync();
            var wanted = Encoding.UTF8.GetBytes(key.Text);
            foreach (var participant in await db.Participants.Where(p => p.LessonId == lesson).ToListAsync())
            {
                if (CryptographicOperations.FixedTimeEquals(wanted, Encoding.UTF8.GetBytes(Of(participant).Text))) return participant;
            }
        }

        _failures.AddOrUpdate(lesson, _ => (clock.GetTimestamp(), 1), (_, seen) => clock.GetElapsedTime(seen.Start) < s_window ? (seen.Start, seen.Failures + 1) : (clock.GetTimestamp(), 1));
        return null;
    }
}
