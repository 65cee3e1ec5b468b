using Yardang.Core.Walls;

namespace Yardang.Core.Activities;

/// <summary>What a part of an activity is made of. The numbers are on the wire.</summary>
public enum PartKind
{
    /// <summary>Pages, of which boards are copies.</summary>
    Pages = 1,

    /// <summary>A wall.</summary>
    Wall = 2,
}

/// <summary>One of the steps of an activity, each with rooms of its own.</summary>
/// <param name="Number">Stays the same wherever it comes in the order; from 1. Rooms say of which part they are.</param>
/// <param name="Kind">What it is made of.</param>
/// <param name="Wall">What is planned for its wall; null for pages.</param>
public sealed record Part(int Number, PartKind Kind, WallPlan? Wall = null)
{
    /// <summary>Most parts of an activity.</summary>
    public const int Most = 1;

    /// <summary>What an activity is made of whose parts nobody has named: pages.</summary>
    public static readonly Part Pages = new(1, PartKind.Pages);

    /// <summary>The first thing that is wrong with it, in words; null if nothing is.</summary>
    public string? Fault() => Number < 1 || !Enum.IsDefined(Kind) ? "A part has no number, or is of a kind that this program does not know."
        : (Kind == PartKind.Wall) != Wall is not null ? "A wall is planned, and pages are not."
        : Wall?.Fault();
}
