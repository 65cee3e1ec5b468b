using Yardang.Core.Rooms;

namespace Yardang.Web.Pages;

/// <summary>What is worked on, a board or a wall, as a page shows it.</summary>
/// <param name="Heading">What is asked, or whose board it is.</param>
/// <param name="Directions">The whole directions; empty if there are none.</param>
/// <param name="IsStaff">Whether a teacher looks.</param>
/// <param name="Signals">Whether there is a teacher to signal to.</param>
/// <param name="Data">What the scripts are handed.</param>
/// <param name="BackTo">Where the way back leads; null if there is none.</param>
/// <param name="BackText">What the way back is called.</param>
public sealed record WorkView(string Heading, string Directions, bool IsStaff, bool Signals, object Data, string? BackTo = null, string? BackText = null)
{
    /// <summary>What it is.</summary>
    public RoomKind Kind { get; init; } = RoomKind.Board;

    /// <summary>What draws it.</summary>
    public string Partial => Kind == RoomKind.Wall ? "_Wall" : "_Board";

    /// <summary>Whether the lesson has several parts, between which students go back and forth.</summary>
    public bool HasContents { get; init; }

    /// <summary>Whether nobody writes here.</summary>
    public bool LooksOnly { get; init; }

    /// <summary>The three words that bring the student back on another device; null for others.</summary>
    public string? Key { get; init; }

    /// <summary>Where the boards of others are found; null if nowhere.</summary>
    public string? OthersHref { get; init; }

    /// <summary>How a student's own board came to be, if they may look; null where there is no such thing.</summary>
    public string? OwnPast { get; init; }

    /// <summary>Of a teacher: the way to their own board; null where there is none.</summary>
    public string? OwnBoard { get; init; }

    /// <summary>Of a teacher: where it is seen how a board came to be; null for nowhere.</summary>
    public string? History { get; init; }

    /// <summary>Other ways on from here.</summary>
    public IReadOnlyList<(string Href, string Words)> Links { get; init; } = [];

    /// <summary>Where a teacher pours the cards of a wall out to groups; null for nowhere.</summary>
    public string? Pours { get; init; }

    /// <summary>Where walls on which the same cards are sorted are compared; null for nowhere.</summary>
    public string? Compares { get; init; }
}
