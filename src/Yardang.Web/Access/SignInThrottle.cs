using System.Collections.Concurrent;

namespace Yardang.Web.Access;

/// <summary>
/// Slows down guessing of a teacher's password. Wrong ones are counted for the account and where they come from: a device on which this teacher has signed in
/// before, else the network address. So a stranger can hold themselves up, and never the teacher at a device of theirs. Guesses from many addresses
/// make every unknown device wait a moment: at most 30 a minute after the first hundred of an hour.
/// </summary>
public sealed class SignInThrottle(TimeProvider clock)
{
    /// <summary>So many wrong passwords, and there is a pause.</summary>
    public const int Wrong = 8;

    /// <summary>How long the pause is.</summary>
    public static readonly TimeSpan Pause = TimeSpan.FromMinutes(2);

    private const int Kept = 20_000;
    private const int OfAccount = 100;
    private static readonly TimeSpan s_counts = TimeSpan.FromHours(1);

    private readonly ConcurrentDictionary<string, (long Last, int Count)> _wrong = new(StringComparer.Ordinal);
    private readonly Pace _accounts = new(OfAccount, 0.5, 30, clock);

    /// <summary>Whether somebody has to wait before the next try.</summary>
    public bool MustWait(string account, string from) =>
        _wrong.TryGetValue($"{account} {from}", out var seen) && seen.Count >= Wrong && clock.GetElapsedTime(seen.Last) < Pause;

    /// <summary>Before a password from an unknown device is looked at: false if too many are being tried for this account.</summary>
    public Task<bool> EnterAsync(string account, CancellationToken stop) => _accounts.EnterAsync(account, stop);

    /// <summary>The password was right.</summary>
    public void WasRight(string account, string from)
    {
        _wrong.TryRemove($"{account} {from}", out _);
        _accounts.GiveBack(account);
    }

    /// <summary>The password was wrong.</summary>
    public void WasWrong(string account, string from)
    {
        if (_wrong.Count > Kept)
        {
            foreach (var (key, seen) in _wrong)
            {
                if (clock.GetElapsedTime(seen.Last) > Pause) _wrong.TryRemove(key, out _);
            }
        }

        _wrong.AddOrUpdate(
            $"{account} {from}",
            _ => (clock.GetTimestamp(), 1),
            (_, seen) => (clock.GetTimestamp(), clock.GetElapsedTime(seen.Last) > (seen.Count >= Wrong ? Pause : s_counts) ? 1 : seen.Count + 1));
    }
}
