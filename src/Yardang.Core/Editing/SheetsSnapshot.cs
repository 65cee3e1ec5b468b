using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Marks;
using Yardang.Core.Pages;

namespace Yardang.Core.Editing;

/// <summary>What a snapshot says of pages and marks.</summary>
/// <param name="Name">What the activity is called.</param>
/// <param name="Directions">What students are to do.</param>
/// <param name="Pages">All pages that the reader may see.</param>
/// <param name="Marks">All marks that the reader may see, by id: not everybody learned of them in the same order.</param>
/// <param name="Gestures">What can be undone and redone, each person's in order.</param>
/// <param name="Writers">Who wrote last what one of them changed.</param>
/// <param name="Unit">In which lengths are shown.</param>
/// <param name="Parts">The steps of the activity, in order.</param>
/// <param name="Phases">The phases that are planned for the lesson, in order; on boards there are none.</param>
public sealed record SheetsSnapshot(
    Texts Name, Texts Directions, ImmutableArray<Page> Pages, ImmutableArray<Mark> Marks, ImmutableArray<GestureSnapshot> Gestures, ImmutableArray<LastWriter> Writers, LengthUnit Unit, ImmutableArray<Part> Parts, ImmutableArray<PlannedPhase> Phases);

/// <summary>What a snapshot says of a gesture.</summary>
/// <param name="Id">The gesture's id.</param>
/// <param name="Actor">Who made it.</param>
/// <param name="Undone">Whether it is taken back at the moment.</param>
/// <param name="Steps">What it changed.</param>
public sealed record GestureSnapshot(long Id, int Actor, bool Undone, ImmutableArray<Step> Steps);

/// <summary>The gesture that last wrote a property.</summary>
/// <param name="Target">Of which mark or page; 0 for the activity.</param>
/// <param name="Property">Which property.</param>
/// <param name="Gesture">The gesture's id.</param>
public sealed record LastWriter(long Target, Property Property, long Gesture);
