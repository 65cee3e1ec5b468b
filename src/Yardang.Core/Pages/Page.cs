using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Wire;

namespace Yardang.Core.Pages;

/// <summary>A page's size, 1/100 mm.</summary>
public readonly record struct PageSize(int Width, int Height)
{
    /// <summary>A4 upright.</summary>
    public static readonly PageSize A4 = new(21_000, 29_700);

    /// <summary>A4 lying.</summary>
    public static readonly PageSize A4Wide = new(29_700, 21_000);

    /// <summary>Letter upright.</summary>
    public static readonly PageSize Letter = new(21_590, 27_940);

    /// <summary>Letter lying.</summary>
    public static readonly PageSize LetterWide = new(27_940, 21_590);

    /// <summary>A wide screen, 16:9.</summary>
    public static readonly PageSize Screen = new(33_867, 19_050);

    /// <summary>A3 lying.</summary>
    public static readonly PageSize A3Wide = new(42_000, 29_700);

    /// <summary>Whether both sides are between 50 mm and 2 m.</summary>
    [JsonIgnore]
    public bool IsValid => Width is >= 5_000 and <= 200_000 && Height is >= 5_000 and <= 200_000;
}

/// <summary>One sheet of a board activity.</summary>
/// <param name="Id">Stays the same over versions. Of a draft's client (<see cref="Rooms.Ids"/>), or 1 for the first page.</param>
/// <param name="Name">What the page is called; may be empty.</param>
/// <param name="Size">1/100 mm.</param>
/// <param name="Paper">The ruling.</param>
/// <param name="Directions">What is to be done on this page; null if nothing is said.</param>
/// <param name="Withheld">Tools that students do not get on this page.</param>
/// <param name="Stimulus">Something to look at or listen to beside the page; null for nothing.</param>
/// <param name="Starters">How sentences may begin that students write on this page; null for none.</param>
/// <param name="Part">The number of the part of the activity to which it belongs; null for part 1, which is that of most pages.</param>
/// <param name="Locked">On a board: whether students change nothing there.</param>
/// <param name="Shows">What students may record and attach there, besides pictures; null for nothing.</param>
public sealed record Page(
    long Id, Texts Name, PageSize Size, Paper Paper, [NullIsEmpty] Texts? Directions = null, ToolSet Withheld = ToolSet.None, [Since(2)] Stimulus? Stimulus = null, [Since(3), NullIsEmpty] ImmutableArray<Texts>? Starters = null,
    [Since(4)] int? Part = null, [Since(5)][property: JsonIgnore] bool Locked = false, [Since(6)] PageShows? Shows = null)
{
    /// <summary>The number of the part to which it belongs.</summary>
    [JsonIgnore]
    public int OfPart => Part ?? Rooms.RoomPlace.FirstPart;

    /// <summary>Smaller comes first. Within an activity's content the order of the list counts.</summary>
    [JsonIgnore, Field(6)]
    public double Order { get; init; }

    /// <summary>Whether it was taken out. It stays in the room, so that it can come back.</summary>
    [JsonIgnore, Field(7)]
    public bool Erased { get; init; }
}
