using System.Security.Cryptography;

namespace Yardang.Web.BigScreen;

/// <summary>Short codes by which another device becomes the big screen of a lesson: for some minutes, and in memory only.</summary>
public sealed class Pairing(TimeProvider clock)
{
    /// <summary>How long a code can be typed.</summary>
    public static readonly TimeSpan Lasts = TimeSpan.FromMinutes(10);

    // Without those that are mistaken for one another.
    private const string Letters = "ACDEFHJKLMNPRTUVWXY3479";
    private const int Length = 6;
    private const int Most = 2_000;

    private readonly Lock _lock = new();
    private readonly Dictionary<string, (Guid Lesson, DateTimeOffset Until)> _codes = new(StringComparer.Ordinal);

    /// <summary>A code for a lesson; the same as long as it lasts. Null if there are too many.</summary>
    public string? CodeFor(Guid lesson)
    {
        lock (_lock)
        {
            var now = clock.GetUtcNow();
            foreach (var (old, _) in _codes.Where(c => c.Value.Until <= now).ToList()) _codes.Remove(old);
            if (_codes.FirstOrDefault(c => c.Value.Lesson == lesson).Key is { } known) return known;
            if (_codes.Count >= Most) return null;
            string code;
            do code = RandomNumberGenerator.GetString(Letters, Length);
            while (_codes.ContainsKey(code));
            _codes[code] = (lesson, now + Lasts);
            return code;
        }
    }

    /// <summary>The lesson of a code, as somebody typed it; null if there is none.</summary>
    public Guid? Find(string? typed)
    {
        var code = string.Concat((typed ?? "").Where(char.IsLetterOrDigit)).ToUpperInvariant();
        lock (_lock) return _codes.TryGetValue(code, out var found) && found.Until > clock.GetUtcNow() ? found.Lesson : null;
    }
}
