using System.Collections.Immutable;
using Yardang.Core.Wire;

namespace Yardang.Core.Moderation;

/// <summary>What is done where something was found that a class should not read. The numbers are on the wire.</summary>
public enum WhenFound
{
    /// <summary>Nothing: nobody looks.</summary>
    LetThrough = 0,

    /// <summary>Dots stand in its place.</summary>
    Mask = 1,

    /// <summary>All of it waits for the teacher.</summary>
    KeepBack = 2,

    /// <summary>It is not taken, and stays with whoever wrote it.</summary>
    Refuse = 3,
}

/// <summary>What is looked for in what students write in a lesson, and what is done where it is found.</summary>
/// <param name="Then">What is done.</param>
/// <param name="ForYoung">Also for words that only young classes should not read.</param>
/// <param name="Details">Also for telephone numbers, e-mail and postal addresses, and links.</param>
/// <param name="Own">The teacher's own words, besides. A word between stars is looked for within others, too.</param>
/// <param name="Allowed">Words that this class may use.</param>
public sealed record WordScreening(
    WhenFound Then, bool ForYoung, bool Details, [AtMost(WordScreening.MostWords)] ImmutableArray<string> Own, [AtMost(WordScreening.MostWords)] ImmutableArray<string> Allowed)
{
    /// <summary>Most words in a list of a teacher's.</summary>
    public const int MostWords = 300;

    /// <summary>Most letters of one of them.</summary>
    public const int LongestWord = 40;

    /// <summary>As it is until a teacher says otherwise.</summary>
    public static readonly WordScreening Usual = new(WhenFound.KeepBack, ForYoung: false, Details: false, [], []);

    /// <summary>Whether it is within its ranges.</summary>
    public bool IsSound() => Enum.IsDefined(Then) && AreWords(Own) && AreWords(Allowed);

    private static bool AreWords(ImmutableArray<string> words) => words.Length <= MostWords && words.All(w => !string.IsNullOrWhiteSpace(w) && w.Length <= LongestWord && !w.Any(char.IsControl));
}
