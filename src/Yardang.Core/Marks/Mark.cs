using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Ink;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>Who may grip a mark.</summary>
public enum Grip
{
    /// <summary>Only its author, and teachers.</summary>
    Own = 0,

    /// <summary>Anyone may move and turn it; teachers may do everything.</summary>
    Loose = 1,

    /// <summary>Only teachers.</summary>
    Printed = 2,

    /// <summary>The answer key: only teachers see it, and it is never sent to a student.</summary>
    Key = 3,
}

/// <summary>Where a mark stands: how far it was moved from where its body says, and turned about its middle.</summary>
/// <param name="X">1/100 mm to the right.</param>
/// <param name="Y">1/100 mm down.</param>
/// <param name="Turn">1/100 degree clockwise, 0 to 35,999.</param>
public readonly record struct Place(int X, int Y, int Turn)
{
    /// <summary>Not moved and not turned.</summary>
    public static readonly Place AsDrawn = new(0, 0, 0);
}

/// <summary>How much larger or smaller a mark is than its body says, about its middle, per mille. Line widths stay.</summary>
public readonly record struct Scale(int X, int Y)
{
    /// <summary>Whether both are between 1/100 and 100 times.</summary>
    [JsonIgnore]
    public bool IsValid => X is >= 10 and <= 100_000 && Y is >= 10 and <= 100_000;
}

/// <summary>Whether a teacher took a student's mark down. The numbers are on the wire.</summary>
public enum TakenDown
{
    /// <summary>It stands.</summary>
    No = 0,

    /// <summary>Its author and teachers see it, marked; others do not.</summary>
    Hidden = 1,

    /// <summary>Nobody sees it but teachers.</summary>
    Removed = 2,
}

/// <summary>Anything on a page, as it stands now.</summary>
/// <param name="Id">See <see cref="Rooms.Ids"/>.</param>
/// <param name="Page">Id of its page.</param>
/// <param name="Author">Number of the actor who made it.</param>
/// <param name="ByStaff">Whether a teacher made it.</param>
/// <param name="Grip">Who may grip it.</param>
/// <param name="Order">Larger lies in front. Set by the server; exact as a double, so that one can be put between two.</param>
/// <param name="Body">What it is made of.</param>
/// <param name="Style">How it looks.</param>
/// <param name="Place">Where it was moved to.</param>
/// <param name="Cuts">Ink only: the lengths rubbed out, see <see cref="CutIntervals"/>.</param>
/// <param name="Erased">Whether it is gone from the page. It stays in the room, so that it can come back.</param>
/// <param name="Scale">How much larger it was made; null if it is as drawn.</param>
/// <param name="Pinned">Whether it stays where it is until it is unpinned.</param>
/// <param name="Tie">Marks with the same number are chosen together; 0 for none.</param>
/// <param name="PutBy">Which teacher put what its author said aloud, by actor number; 0: the author did.</param>
/// <param name="Down">Whether a teacher took it down. Then nobody changes it, until it is put back.</param>
public sealed record Mark(
    long Id, long Page, int Author, bool ByStaff, Grip Grip, double Order, MarkBody Body, Style Style,
    Place Place, ImmutableArray<int> Cuts, bool Erased,
    [Since(2)] Scale? Scale = null, [Since(2)] bool Pinned = false, [Since(2)] long Tie = 0, [Since(3)] int PutBy = 0, [Since(4)][property: JsonIgnore] TakenDown Down = TakenDown.No)
{
    /// <summary>The words that are written in place; null for what has none.</summary>
    [JsonIgnore]
    public Words? Words => Body.Written();

    /// <summary>Whether it can be seen on its page by all who see that: it was neither rubbed out nor taken down.</summary>
    [JsonIgnore]
    public bool Stands => !Erased && Down == TakenDown.No;

    /// <summary>Whether somebody sees it. What was rubbed out is seen by nobody but its author, who may want it back; so is what a teacher took down, and what they removed by nobody but teachers.</summary>
    public bool IsSeenBy(Actor reader) => reader.IsStaff || (Grip != Grip.Key && (Author == reader.Number && !ByStaff ? Down != TakenDown.Removed : Stands));

    /// <summary>As everybody may know it: without what only teachers are told.</summary>
    public Mark AsTold() => Body.AsTold() is var told && ReferenceEquals(told, Body) ? this : this with { Body = told };
}
