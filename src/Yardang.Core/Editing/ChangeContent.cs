using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Editing;

/// <summary>What is handed out late.</summary>
/// <param name="Activity">The activity as it says now; for marks alone, an activity without pages.</param>
/// <param name="Pages">Which of its pages are handed out; none for marks alone.</param>
public sealed record LateContent(ActivityContent Activity, ImmutableArray<long> Pages);

/// <summary>
/// A late change stands on the board. It is a gesture of the program, under the change's number, so that taking it back leaves what others have
/// changed since.
/// </summary>
/// <param name="Number">Which change of the lesson.</param>
/// <param name="Page">Where to look for it; 0 for nowhere.</param>
/// <param name="Pages">New pages, with their orders.</param>
/// <param name="Marks">New marks.</param>
/// <param name="Changes">What else is different now.</param>
[Kind(20)]
public sealed record LateChangeAdopted(int Number, long Page, ImmutableArray<Page> Pages, ImmutableArray<Mark> Marks, ImmutableArray<Change> Changes) : RoomEvent;
