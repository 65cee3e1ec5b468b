using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Geometry;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Shapes;

namespace Yardang.Core.Editing;

/// <summary>The pages of an activity with all that stands on them, and the journal of who changed what: the state of drafts and boards.</summary>
public sealed class Sheets
{
    private readonly Dictionary<long, Mark> _marks = [];
    private readonly Dictionary<long, Page> _pages = [];
    private ImmutableArray<Page> _inOrder = [];

    /// <summary>The pages with their printed and loose marks.</summary>
    public Sheets(ActivityContent content)
    {
        Name = content.Name;
        Directions = content.Directions;
        Unit = content.Unit;
        Parts = content.Steps;
        Phases = content.Phases ?? [];
        PutInOrder(content.Pages);
        foreach (var mark in content.Marks) Put(mark);
    }

    /// <summary>What the activity is called.</summary>
    public Texts Name { get; private set; }

    /// <summary>What students are to do.</summary>
    public Texts Directions { get; private set; }

    /// <summary>In which lengths are shown.</summary>
    public LengthUnit Unit { get; private set; }

    /// <summary>The steps of the activity, in order.</summary>
    public ImmutableArray<Part> Parts { get; private set; }

    /// <summary>The phases that are planned for the lesson, in order.</summary>
    public ImmutableArray<PlannedPhase> Phases { get; private set; }

    /// <summary>The pages in order, without those that were taken out.</summary>
    public IReadOnlyList<Page> Pages => _inOrder;

    /// <summary>All pages, those taken out included, in order.</summary>
    public IEnumerable<Page> AllPages => _pages.Values.OrderBy(p => p.Order).ThenBy(p => p.Id);

    /// <summary>How many pages there are, those taken out included.</summary>
    public int PageCount => _pages.Count;

    /// <summary>Every mark that ever stood here and was not redacted, erased ones included.</summary>
    public IReadOnlyDictionary<long, Mark> Marks => _marks;

    /// <summary>Undo, redo, and the last writers.</summary>
    public Journal Journal { get; } = new();

    /// <summary>The order of the mark in front of all.</summary>
    public double FrontOrder { get; private set; }

    /// <summary>A page, also if it was taken out; null if there never was one with this id.</summary>
    public Page? FindPage(long id) => _pages.GetValueOrDefault(id);

    /// <summary>What can be seen on a page, back to front; with the answer key.</summary>
    public IEnumerable<Mark> Visible(long page) => ZoneLayers.Lay(AnswerPlace.Follow(
        ConnectorPath.Follow(_marks.Values.Where(m => m.Page == page && m.Stands).OrderBy(m => m.Order).ThenBy(m => m.Id), _marks.GetValueOrDefault), _marks.GetValueOrDefault));

    /// <summary>The value of a property now, as the change that would set it; null if there is no such thing.</summary>
    public Change? Current(long target, Property property)
    {
        if (property == Property.Name) return new Naming(Name);
        if (property == Property.Directions) return new Directing(Directions);
        if (property == Property.Unit) return new Measuring(Unit);
        if (property == Property.Parts) return new Dividing(Parts);
        if (property == Property.Phases) return new Planning(Phases);
        if (property >= Property.Size)
        {
            return FindPage(target) is not { } page ? null : property switch
            {
                Property.Size => new Sizing(target, page.Size),
                Property.Paper => new Papering(target, page.Paper),
                Property.PageName => new PageNaming(target, page.Name),
                Property.PageErased => new PageErasing(target, page.Erased),
                Property.PageOrder => new PageOrdering(target, page.Order),
                Property.PageDirections => new PageDirecting(target, page.Directions ?? Texts.None),
                Property.Withheld => new Withholding(target, page.Withheld),
                Property.Stimulus => new Stimulating(target, page.Stimulus),
                Property.Starters => new Starting(target, page.Starters ?? []),
                Property.Shows => new Granting(target, page.Shows),
                _ => null,
            };
        }

        if (!_marks.TryGetValue(target, out var mark)) return null;
        return property switch
        {
            Property.Place => new Placed(target, mark.Place),
            Property.Erased => new Erasing(target, mark.Erased),
            Property.Down => new TakingDown(target, mark.Down),
            Property.Cuts => new Cutting(target, mark.Cuts),
            Property.Style => new Styling(target, mark.Style),
            Property.Scale => new Scaling(target, mark.Scale),
            Property.Body => new Remaking(target, mark.Body),
            Property.Pinned => new Pinning(target, mark.Pinned),
            Property.Tie => new Tying(target, mark.Tie),
            Property.Order => new Ordering(target, mark.Order),
            Property.Grip => new Gripping(target, mark.Grip),
            Property.Words => mark.Body.Written() is { } words && mark.Body.Box() is var box ? new Wording(target, words, (int)box.Width, (int)box.Height) : null,
            _ => null,
        };
    }

    /// <summary>Applies an event about marks, done by <paramref name="actor"/> as part of <paramref name="gesture"/>.</summary>
    public void Apply(RoomEvent happened, int actor, long gesture)
    {
        switch (happened)
        {
            case MarkAdded(var mark):
                Add(mark, actor, gesture);
                break;
            case MarksAdded(var marks):
                foreach (var mark in marks) Add(mark, actor, gesture);
                break;
            case PageAdded(var page, var order):
                PutIn(page with { Order = order }, actor, gesture);
                break;
            case ChangesMade(var changes, var back):
                Make(changes, actor, gesture);
                PutBack(back);
                break;
            case LateChangeAdopted(_, _, var pages, var marks, var changes):
                foreach (var page in pages) PutIn(page, actor, gesture);
                foreach (var mark in marks) Add(mark, actor, gesture);
                Make(changes, actor, gesture);
                break;
            case KeySet(var key):
                SetKey(key);
                break;
            case GestureUndone(var id, var changes, _, var back):
                TurnBack(id, changes, undone: true);
                PutBack(back);
                break;
            case GestureRedone(var id, var changes, _, var back):
                TurnBack(id, changes, undone: false);
                PutBack(back);
                break;
        }
    }

    /// <summary>Locks a page against students, or frees it; 0: all pages.</summary>
    public void Lock(long page, bool on)
    {
        foreach (var id in page == 0 ? [.. _pages.Keys] : new[] { page }) SetPage(id, p => p with { Locked = on });
    }

    /// <summary>Puts an activity in place of what stands here.</summary>
    public void Restore(ActivityContent head, IEnumerable<Mark> marks)
    {
        (Name, Directions, Unit, Parts, Phases) = (head.Name, head.Directions, head.Unit, head.Steps, head.Phases ?? []);
        PutInOrder(head.Pages);
        _marks.Clear();
        FrontOrder = 0;
        foreach (var mark in marks) Put(mark);
    }

    /// <summary>Puts a snapshot in place of the activity.</summary>
    internal void Restore(SheetsSnapshot snapshot)
    {
        Restore(new ActivityContent(snapshot.Name, snapshot.Directions, [], [], snapshot.Unit, snapshot.Parts, snapshot.Phases), snapshot.Marks);
        PutPages(snapshot.Pages);
        Journal.Restore(snapshot);
    }

    private void PutPages(IEnumerable<Page> pages)
    {
        _pages.Clear();
        foreach (var page in pages) _pages[page.Id] = page;
        SortPages();
    }

    private void PutInOrder(ImmutableArray<Page> pages) => PutPages(pages.Select((p, i) => p with { Order = i + 1 }));

    private void SortPages() => _inOrder = [.. AllPages.Where(p => !p.Erased)];

    private void PutIn(Page page, int actor, long gesture)
    {
        _pages[page.Id] = page;
        SortPages();
        Journal.Note(gesture, actor, new PageErasing(page.Id, true), new PageErasing(page.Id, false));
    }

    private void Make(ImmutableArray<Change> changes, int actor, long gesture)
    {
        foreach (var change in changes)
        {
            // In a reader's copy: of something that they do not see.
            var before = Current(change.Target, change.Property) ?? Hidden.InPlaceOf(change);
            Journal.Note(gesture, actor, IsLateChange(gesture) ? WithoutKey(before) : before, change);
            Set(IsLateChange(gesture) ? WithKeyOfNow(change) : change);
        }
    }

    // The program's own gestures say nothing of what is expected of zones, since students are told of them; it stays as it is.
    private static bool IsLateChange(long gesture) => gesture != 0 && Ids.ClientOf(gesture) == 0;

    private static Change WithoutKey(Change change) => change is Remaking remaking ? remaking with { Body = remaking.Body.AsTold() } : change;

    private Change WithKeyOfNow(Change change) => change is Remaking(var id, ZoneBody zone) remaking && _marks.GetValueOrDefault(id)?.Body is ZoneBody now
        ? remaking with { Body = zone with { Expected = now.Expected } }
        : change;

    private void Add(Mark mark, int actor, long gesture)
    {
        Put(mark);
        Journal.Note(gesture, actor, new Erasing(mark.Id, true), new Erasing(mark.Id, false));
    }

    private void TurnBack(long id, ImmutableArray<Change> changes, bool undone)
    {
        var gesture = Journal.Find(id);
        foreach (var change in changes)
        {
            Set(IsLateChange(id) ? WithKeyOfNow(change) : change);
            Journal.SetWriter(change, undone ? gesture?.On(change.Target, change.Property)?.BeforeWriter ?? 0 : id);
        }

        gesture?.Turn(changes, undone);
    }

    // Who saw them go holds them still.
    private void PutBack(ImmutableArray<Mark>? back)
    {
        foreach (var mark in back ?? [])
        {
            if (!_marks.ContainsKey(mark.Id)) Put(mark);
        }
    }

    /// <summary>The marks that are back when these changes are made, whole as they stand then, as everybody may see them; null for none.</summary>
    internal ImmutableArray<Mark>? BackWith(ImmutableArray<Change> changes)
    {
        var back = changes.Where(c => c is Erasing { Erased: false } or TakingDown { Down: TakenDown.No } && _marks.TryGetValue(c.Target, out var mark) && !mark.Stands).Select(c => c.Target).ToHashSet();
        if (back.Count == 0) return null;
        var marks = back.ToDictionary(id => id, id => _marks[id]);
        foreach (var change in changes)
        {
            if (marks.TryGetValue(change.Target, out var mark) && change.Property < Property.Name) marks[change.Target] = With(mark, change);
        }

        return [.. marks.Values.OrderBy(m => m.Id).Select(m => m.AsTold())];
    }

    private void SetKey(AnswerKey key)
    {
        foreach (var mark in _marks.Values.Where(m => m.Grip == Grip.Key).ToList()) _marks.Remove(mark.Id);
        foreach (var mark in key.Marks) Put(mark);
        var expected = key.Zones.ToDictionary(z => z.Zone, z => z.Expected);
        foreach (var mark in _marks.Values.ToList())
        {
            if (mark.Body is ZoneBody zone) _marks[mark.Id] = mark with { Body = zone with { Expected = expected.GetValueOrDefault(mark.Id) } };
        }
    }

    private void Put(Mark mark)
    {
        _marks[mark.Id] = mark;
        FrontOrder = Math.Max(FrontOrder, mark.Order);
    }

    private void Set(Change change)
    {
        switch (change)
        {
            case Naming(var name): Name = name; return;
            case Directing(var directions): Directions = directions; return;
            case Measuring(var unit): Unit = unit; return;
            case Dividing(var parts): Parts = parts; return;
            case Planning(var phases): Phases = phases; return;
            case PageErasing(var id, var erased): SetPage(id, p => p with { Erased = erased }); return;
            case PageOrdering(var id, var order): SetPage(id, p => p with { Order = order }); return;
            case PageDirecting(var id, var directions): SetPage(id, p => p with { Directions = directions.IsEmpty ? null : directions }); return;
            case Withholding(var id, var tools): SetPage(id, p => p with { Withheld = tools }); return;
            case Granting(var id, var shows): SetPage(id, p => p with { Shows = shows }); return;
            case Stimulating(var id, var stimulus): SetPage(id, p => p with { Stimulus = stimulus }); return;
            case Starting(var id, var starters): SetPage(id, p => p with { Starters = starters.IsEmpty ? null : starters }); return;
            case Sizing(var id, var size): SetPage(id, p => p with { Size = size }); return;
            case Papering(var id, var paper): SetPage(id, p => p with { Paper = paper }); return;
            case PageNaming(var id, var name): SetPage(id, p => p with { Name = name }); return;
        }

        if (!_marks.TryGetValue(change.Target, out var mark)) return;
        if (change is Ordering(_, var front)) FrontOrder = Math.Max(FrontOrder, front);
        _marks[change.Target] = With(mark, change);
    }

    private static Mark With(Mark mark, Change change) => change switch
    {
        Placed(_, var place) => mark with { Place = place },
        Erasing(_, var erased) => mark with { Erased = erased },
        TakingDown(_, var down) => mark with { Down = down },
        Cutting(_, var cuts) => mark with { Cuts = cuts },
        Styling(_, var style) => mark with { Style = style },
        Scaling(_, var scale) => mark with { Scale = scale },
        Remaking(_, var body) => mark with { Body = body },
        Pinning(_, var pinned) => mark with { Pinned = pinned },
        Tying(_, var tie) => mark with { Tie = tie },
        Ordering(_, var order) => mark with { Order = order },
        Gripping(_, var grip) => mark with { Grip = grip },
        Wording(_, var words, var width, var height) => mark with { Body = mark.Body.With(words, width, height) },
        _ => mark,
    };

    private void SetPage(long id, Func<Page, Page> set)
    {
        if (FindPage(id) is not { } page) return;
        _pages[id] = set(page);
        SortPages();
    }
}
