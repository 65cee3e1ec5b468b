using Yardang.Core.Rooms;

namespace Yardang.Core.Threads;

/// <summary>What somebody says in words: on a card, in an answer.</summary>
public static class Statement
{
    // The end of the year 9999: a date can be made of it.
    private const long MostMs = 253_402_300_799_999;

    /// <summary>Whether a text can stand on its own: something, and not too much.</summary>
    public static bool IsText(string text) => text.Length <= Limits.StatementLength && !string.IsNullOrWhiteSpace(text);

    /// <summary>Whether a time can be one at which somebody did something: a date can be made of it.</summary>
    internal static bool IsMoment(long ms) => ms is >= 0 and <= MostMs;

    /// <summary>Whether a tag can name a language.</summary>
    public static bool IsLanguage(string tag) => tag.Length <= 35;
}
