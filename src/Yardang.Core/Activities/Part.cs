using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Core.Wire;

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
/// <param name="Number">Stays the same wherever it comes in the order; from 1. Pages and rooms say of which part they are.</param>
/// <param name="Kind">What it is made of.</param>
/// <param name="Wall">What is planned for its wall; null for pages.</param>
/// <param name="Name">What it is called in the list of contents; null if it is not named.</param>
/// <param name="Way">Who works with whom in it; null if nothing was chosen.</param>
public sealed record Part(int Number, PartKind Kind, WallPlan? Wall = null, [Since(2)] Texts? Name = null, [Since(2)] Way? Way = null)
{
    /// <summary>Most parts of an activity.</summary>
    public const int Most = 12;

    /// <summary>What an activity is made of whose parts nobody has named: pages.</summary>
    public static readonly Part Pages = new(RoomPlace.FirstPart, PartKind.Pages);

    /// <summary>Who works with whom in it if it is handed out as it was made: a wall is for all to read, pages are to work on.</summary>
    /// <remarks>A method, so that it is not written into files.</remarks>
    public Way WayOrUsual() => Way ?? (Kind == PartKind.Wall ? Rooms.Way.AllTogether : Rooms.Way.OneEach);

    /// <summary>The first thing that is wrong with it, in words; null if nothing is.</summary>
    public string? Fault() => Number is < RoomPlace.FirstPart or > RoomPlace.LastPart || !Enum.IsDefined(Kind) || Way is { } way && !Enum.IsDefined(way) ? "A part has no number, or is of a kind that this program does not know."
        : (Kind == PartKind.Wall) != Wall is not null ? "A wall is planned, and pages are not."
        : Name is { } name && !name.IsWithin(Limits.NameLength) ? $"The name of a part is longer than {Limits.NameLength} letters, or in too many languages."
        : Wall?.Fault();
}
