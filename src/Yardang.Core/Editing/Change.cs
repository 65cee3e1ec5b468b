using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Editing;

/// <summary>The properties that can be changed, each on its own. The numbers are on the wire.</summary>
public enum Property
{
    /// <summary>A mark's place.</summary>
    Place = 1,

    /// <summary>Whether a mark is erased.</summary>
    Erased = 2,

    /// <summary>The cuts in a mark's ink.</summary>
    Cuts = 3,

    /// <summary>A mark's words, with the size of what they stand on.</summary>
    Words = 4,

    /// <summary>A mark's colour and width.</summary>
    Style = 5,

    /// <summary>How much larger a mark was made.</summary>
    Scale = 6,

    /// <summary>What a mark is made of, of the same kind as before.</summary>
    Body = 7,

    /// <summary>Whether a mark is pinned.</summary>
    Pinned = 8,

    /// <summary>With which marks it is tied together.</summary>
    Tie = 9,

    /// <summary>What lies before what.</summary>
    Order = 10,

    /// <summary>Who may grip it: printed, loose, key (teachers).</summary>
    Grip = 11,

    /// <summary>Whether a teacher took a student's mark down (boards).</summary>
    Down = 12,

    /// <summary>An activity's name (drafts).</summary>
    Name = 20,

    /// <summary>An activity's directions (drafts).</summary>
    Directions = 21,

    /// <summary>A page's size (drafts).</summary>
    Size = 22,

    /// <summary>A page's paper (drafts).</summary>
    Paper = 23,

    /// <summary>A page's name (drafts).</summary>
    PageName = 24,

    /// <summary>Whether a page was taken out (drafts).</summary>
    PageErased = 25,

    /// <summary>A page's place among the pages (drafts).</summary>
    PageOrder = 26,

    /// <summary>A page's directions (drafts).</summary>
    PageDirections = 27,

    /// <summary>Tools that students do not get on a page (drafts).</summary>
    Withheld = 28,

    /// <summary>The unit of lengths (drafts).</summary>
    Unit = 29,

    /// <summary>What stands beside a page (drafts).</summary>
    Stimulus = 30,

    /// <summary>How sentences may begin on a page (drafts).</summary>
    Starters = 31,

    /// <summary>The steps of the activity, with what is planned for its walls (drafts).</summary>
    Parts = 32,

    /// <summary>The phases that are planned for the lesson (drafts).</summary>
    Phases = 33,

    /// <summary>What students may record and attach on a page (drafts).</summary>
    Shows = 34,
}

/// <summary>One property of one thing, and what it is now. A closed set.</summary>
/// <param name="Target">Id of the mark or page; 0 for the activity.</param>
/// <param name="Property">Which property.</param>
[Family(Flat = true, Key = typeof(Property))]
public abstract record Change([property: Field(0)] long Target, Property Property)
{
    /// <summary>Whether this is about the activity or a page, not about a mark.</summary>
    public bool IsDesign => Property >= Property.Name;
}

/// <summary>A mark stands here.</summary>
[Kind((int)Property.Place)]
public sealed record Placed(long Target, Place Place) : Change(Target, Property.Place);

/// <summary>A mark is erased, or is back.</summary>
[Kind((int)Property.Erased)]
public sealed record Erasing(long Target, bool Erased) : Change(Target, Property.Erased);

/// <summary>A teacher took a student's mark down, or puts it back.</summary>
[Kind((int)Property.Down)]
public sealed record TakingDown(long Target, TakenDown Down) : Change(Target, Property.Down)
{
    internal static bool Withdraws(Change change) => change is TakingDown { Down: not TakenDown.No };
}

/// <summary>A stroke has these cuts. In a command: has these cuts besides those it has.</summary>
[Kind((int)Property.Cuts)]
public sealed record Cutting(long Target, ImmutableArray<int> Cuts) : Change(Target, Property.Cuts);

/// <summary>A text or note says this, and takes this much room.</summary>
[Kind((int)Property.Words)]
public sealed record Wording(long Target, Words Words, int Width, int Height) : Change(Target, Property.Words);

/// <summary>A mark looks like this.</summary>
[Kind((int)Property.Style)]
public sealed record Styling(long Target, Style Style) : Change(Target, Property.Style);

/// <summary>The activity is called this.</summary>
[Kind((int)Property.Name)]
public sealed record Naming(Texts Name) : Change(0, Property.Name);

/// <summary>The activity's directions are these.</summary>
[Kind((int)Property.Directions)]
public sealed record Directing(Texts Directions) : Change(0, Property.Directions);

/// <summary>A page has this size.</summary>
[Kind((int)Property.Size)]
public sealed record Sizing(long Target, PageSize Size) : Change(Target, Property.Size);

/// <summary>A page has this paper.</summary>
[Kind((int)Property.Paper)]
public sealed record Papering(long Target, Paper Paper) : Change(Target, Property.Paper);

/// <summary>A page is called this.</summary>
[Kind((int)Property.PageName)]
public sealed record PageNaming(long Target, Texts Name) : Change(Target, Property.PageName);

/// <summary>A mark is this much larger than drawn; null: as drawn.</summary>
[Kind((int)Property.Scale)]
public sealed record Scaling(long Target, Scale? Scale) : Change(Target, Property.Scale);

/// <summary>A mark is made of this.</summary>
[Kind((int)Property.Body)]
public sealed record Remaking(long Target, MarkBody Body) : Change(Target, Property.Body);

/// <summary>A mark is pinned in place, or free.</summary>
[Kind((int)Property.Pinned)]
public sealed record Pinning(long Target, bool Pinned) : Change(Target, Property.Pinned);

/// <summary>A mark is tied together with others of the same number.</summary>
[Kind((int)Property.Tie)]
public sealed record Tying(long Target, long Tie) : Change(Target, Property.Tie);

/// <summary>A mark lies in this order.</summary>
[Kind((int)Property.Order)]
public sealed record Ordering(long Target, double Order) : Change(Target, Property.Order);

/// <summary>A mark is gripped like this.</summary>
[Kind((int)Property.Grip)]
public sealed record Gripping(long Target, Grip Grip) : Change(Target, Property.Grip);

/// <summary>A page is out, or is back.</summary>
[Kind((int)Property.PageErased)]
public sealed record PageErasing(long Target, bool Erased) : Change(Target, Property.PageErased);

/// <summary>A page comes in this order.</summary>
[Kind((int)Property.PageOrder)]
public sealed record PageOrdering(long Target, double Order) : Change(Target, Property.PageOrder);

/// <summary>A page's directions are these.</summary>
[Kind((int)Property.PageDirections)]
public sealed record PageDirecting(long Target, Texts Directions) : Change(Target, Property.PageDirections);

/// <summary>Students do not get these tools on a page.</summary>
[Kind((int)Property.Withheld)]
public sealed record Withholding(long Target, ToolSet Tools) : Change(Target, Property.Withheld);

/// <summary>Lengths are shown in this unit.</summary>
[Kind((int)Property.Unit)]
public sealed record Measuring(LengthUnit Unit) : Change(0, Property.Unit);

/// <summary>This stands beside a page; null: nothing.</summary>
[Kind((int)Property.Stimulus)]
public sealed record Stimulating(long Target, Stimulus? Stimulus) : Change(Target, Property.Stimulus);

/// <summary>Sentences on a page may begin like this.</summary>
[Kind((int)Property.Starters)]
public sealed record Starting(long Target, ImmutableArray<Texts> Starters) : Change(Target, Property.Starters);

/// <summary>The activity has these steps.</summary>
[Kind((int)Property.Parts)]
public sealed record Dividing(ImmutableArray<Part> Parts) : Change(0, Property.Parts);

/// <summary>These phases are planned for the lesson.</summary>
[Kind((int)Property.Phases)]
public sealed record Planning(ImmutableArray<PlannedPhase> Phases) : Change(0, Property.Phases);

/// <summary>Students may record and attach this on a page; null: nothing.</summary>
[Kind((int)Property.Shows)]
public sealed record Granting(long Target, PageShows? Shows) : Change(Target, Property.Shows);

/// <summary>Stands in a reader's copy for a value that they may not know: of what others changed and can take back. Nobody can ask for it.</summary>
public sealed record Hidden(long Target, Property Property) : Change(Target, Property)
{
    /// <summary>What stands in place of a change.</summary>
    public static Hidden InPlaceOf(Change change) => new(change.Target, change.Property);
}
