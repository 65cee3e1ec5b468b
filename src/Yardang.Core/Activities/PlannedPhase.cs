using Yardang.Core.Pages;
using Yardang.Core.Rooms;

namespace Yardang.Core.Activities;

/// <summary>What is done in a phase of a lesson. The numbers are on the wire.</summary>
public enum PhaseKind
{
    /// <summary>Everybody works as they did.</summary>
    Work = 0,

    /// <summary>Each for themselves: only what is one's own can be seen.</summary>
    Think = 1,

    /// <summary>In groups or with the class: what may be seen can be seen.</summary>
    Talk = 2,

    /// <summary>Writing is closed; what is there can be chosen, scored and answered with a stance.</summary>
    Choose = 3,
}

/// <summary>A phase as it is planned in the workshop; when it begins, a teacher says in the lesson.</summary>
/// <param name="Kind">What is done.</param>
/// <param name="Words">A sentence for students; may be empty.</param>
/// <param name="Minutes">How long it is meant to last; 0: as long as it takes.</param>
/// <param name="EndsItself">Whether nobody writes any more when the time is over; else it only says so.</param>
/// <param name="Part">The part that it opens; 0 for none.</param>
/// <param name="Withheld">What students cannot do in it, besides what its kind closes.</param>
public sealed record PlannedPhase(PhaseKind Kind, Texts Words, int Minutes, bool EndsItself, int Part, StudentActs Withheld)
{
    /// <summary>Most phases that are planned for an activity.</summary>
    public const int Most = 20;

    /// <summary>Most letters of the sentence.</summary>
    public const int WordsLength = 200;

    /// <summary>The longest phase, minutes.</summary>
    public const int Longest = 600;

    /// <summary>What is wrong with it, in words; null if nothing is. Of which parts there are it knows nothing.</summary>
    public string? Fault() => !Enum.IsDefined(Kind) || (Withheld & ~StudentActs.All) != StudentActs.None ? "A phase is of a kind, or withholds something, that this program does not know."
        : !IsTime(Minutes, EndsItself) ? $"A phase is longer than {Longest} minutes, or ends by itself and has no time."
        : Part is < 0 or > RoomPlace.LastPart ? "A phase opens a part that cannot be."
        : !Words.IsWithin(WordsLength) ? $"The sentence of a phase is longer than {WordsLength} letters, or in too many languages."
        : null;

    /// <summary>Whether a phase can last so long.</summary>
    public static bool IsTime(int minutes, bool endsItself) => minutes is >= 0 and <= Longest && (minutes > 0 || !endsItself);
}
