using System.Collections.Immutable;
using Yardang.Core.Moderation;

namespace Yardang.Core.Rooms;

/// <summary>What becomes of what a student wrote once it was looked at, before there is an event of it.</summary>
/// <param name="Command">What is asked now: the same, or with dots in it.</param>
/// <param name="Waits">Whether it waits for the teacher.</param>
/// <param name="IsRefused">Whether it is not taken.</param>
public readonly record struct Screened(Command Command, bool Waits = false, bool IsRefused = false)
{
    /// <summary>Looks at what is written in a command.</summary>
    /// <param name="command">What is asked.</param>
    /// <param name="screen">What looks.</param>
    /// <param name="words">What is written in it, text by text.</param>
    /// <param name="mask">The same command where texts, by their place among the words, are others; null if such a text cannot be another.</param>
    public static Screened Of(Command command, WordScreen screen, IReadOnlyList<string> words, Func<IReadOnlyDictionary<int, string>, Command?> mask)
    {
        if (words.Count == 0 || screen.Look(words) is not { IsEmpty: false } found) return new(command);
        if (screen.Then == WhenFound.Refuse) return new(command, IsRefused: true);
        var masked = screen.Then == WhenFound.Mask ? mask(found.GroupBy(f => f.Field).ToImmutableDictionary(g => g.Key, g => WordScreen.Mask(words[g.Key], g))) : null;
        return masked is null ? new(command, Waits: true) : new(masked);
    }
}
