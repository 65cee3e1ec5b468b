using System.Globalization;
using Yardang.Core.ClassLists;

namespace Yardang.Core.Lessons;

/// <summary>How students say who they are when they come in.</summary>
public enum Introduction
{
    /// <summary>By name; where there is a class list, by their number on it just as well.</summary>
    Name = 0,

    /// <summary>By a number alone, so that no name is kept.</summary>
    Number = 1,

    /// <summary>By number and name, which have to belong together.</summary>
    NumberAndName = 2,
}

/// <summary>Why it cannot be told who somebody is.</summary>
public enum IntroductionFault
{
    /// <summary>No name is written.</summary>
    NoName = 1,

    /// <summary>The name is too long.</summary>
    LongName = 2,

    /// <summary>The number is none, or not from 1 to 9,999.</summary>
    NoNumber = 3,

    /// <summary>The number is somebody's of another name.</summary>
    OtherName = 4,
}

/// <summary>Who somebody at the door is. A closed set.</summary>
public abstract record Introduced
{
    /// <summary>Somebody who is known by this number.</summary>
    public sealed record Known(ClassEntry Who) : Introduced;

    /// <summary>Somebody new.</summary>
    /// <param name="Name">What they are called in the lesson.</param>
    /// <param name="Number">The number that they gave; null if they were asked for none.</param>
    public sealed record Newcomer(string Name, int? Number) : Introduced;

    /// <summary>That cannot be told.</summary>
    public sealed record Unclear(IntroductionFault Why) : Introduced;
}

/// <summary>Tells who somebody at the door is.</summary>
public static class Introductions
{
    /// <summary>Who that is.</summary>
    /// <param name="by">What the lesson asks for.</param>
    /// <param name="name">The name as typed.</param>
    /// <param name="number">The number as typed.</param>
    /// <param name="known">Those on the class list, and whoever has come in with a number.</param>
    public static Introduced Read(Introduction by, string? name, string? number, IReadOnlyList<ClassEntry> known)
    {
        int? given = null;
        if (by != Introduction.Name)
        {
            if (NumberOf(number) is not { } read) return new Introduced.Unclear(IntroductionFault.NoNumber);
            given = read;
        }

        if (by == Introduction.Number) return known.FirstOrDefault(e => e.Number == given) is { } whose ? new Introduced.Known(whose) : new Introduced.Newcomer(Shown(given!.Value), given);
        if (PersonName.Read(name) is not { } called) return new Introduced.Unclear(string.IsNullOrWhiteSpace(name) ? IntroductionFault.NoName : IntroductionFault.LongName);
        if (by == Introduction.Name) return Means(known, called) is { } meant ? new Introduced.Known(meant) : new Introduced.Newcomer(called, null);
        if (known.FirstOrDefault(e => e.Number == given) is not { } entry) return new Introduced.Newcomer(called, given);

        // Where only numbers are kept, any name goes with them.
        var isNameless = entry.Name.Length == 0 || string.Equals(entry.Name, Shown(entry.Number), StringComparison.Ordinal);
        return isNameless || Means([entry], called) is not null ? new Introduced.Known(entry) : new Introduced.Unclear(IntroductionFault.OtherName);
    }

    // Where people are called by their first names, the whole name means them too.
    private static ClassEntry? Means(IReadOnlyList<ClassEntry> known, string called) => ClassListReader.Find(known, called) ?? ClassListReader.Find(known, PersonName.First(called));

    private static int? NumberOf(string? typed) =>
        int.TryParse(typed?.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var number) && number is >= 1 and <= ClassListReader.HighestNumber ? number : null;

    private static string Shown(int number) => number.ToString(CultureInfo.InvariantCulture);
}
