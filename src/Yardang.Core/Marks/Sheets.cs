using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Rooms;

namespace Yardang.Core.Marks;

/// <summary>The pages of an activity with all that stands on them, and the journal of who changed what: the state of drafts and boards.</summary>
public sealed class Sheets
{
    private readonly Dictionary<long, Mark> _marks = [];
    private readonly List<Page> _pages = [];

    /// <summary>The pages with their printed and loose marks.</summary>
    public Sheets(ActivityContent content)
    {
        Name = content.Name;
        Directions = content.Directions;
        _pages.AddRange(content.Pages);
        foreach (var mark in content.Marks) Put(mark);
    }

    /// <summary>What the activity is called.</summary>
    public Texts Name { get; private set; }

    /// <summary>What students are to do.</summary>
    public Texts Directions { get; private set; }

    /// <summary>The pages in order.</summary>
    public IReadOnlyList<Page> Pages => _pages;

    /// <summary>Every mark that ever stood here and was not redacted, erased ones included.</summary>
    public IReadOnlyDictionary<long, Mark> Marks => _marks;

    /// <summary>Undo, redo, and the last writers.</summary>
    public Journal Journal { get; } = new();

    /// <summary>The order of the mark in front of all.</summary>
    public double FrontOrder { get; private set; }

    /// <summary>What can be seen on a page, back to front.</summary>
    public IEnumerable<Mark> Visible(int page) =>
        _marks.Values.Where(m => m.Page == page && !m.Erased).OrderBy(m => m.Order).ThenBy(m => m.Id);

    /// <summary>The value of a property now, as the change that would set it; null if there is no such thing.</summary>
    public Change? Current(long target, Property property)
    {
        if (property == Property.Name) return new Naming(Name);
        if (property == Property.Directions) return new Directing(Directions);
        if (property >= Property.Size)
        {
            var page = _pages.Find(p => p.Id == target);
            return page is null ? null : property switch
            {
                Property.Size => new Sizing(target, page.Size),
                Property.Paper => new Papering(target, page.Paper),
                _ => new PageNaming(target, page.Name),
            };
        }

        if (!_marks.TryGetValue(target, out var mark)) return null;
        return property switch
        {
            Property.Place => new Placed(target, mark.Place),
            Property.Erased => new Erasing(target, mark.Erased),
            Property.Cuts => new Cutting(target, mark.Cuts),
            Property.Style => new Styling(target, mark.Style),
            Property.Words => mark.Body switch
            {
                TextBody t => new Wording(target, t.Words, t.Width, t.Height),
                NoteBody n => new Wording(target, n.Words, n.Width, n.Height),
                _ => null,
            },
            _ => null,
        };
    }

    /// <summary>Applies an event about marks, done by <paramref name="actor"/> as part of <paramref name="gesture"/>.</summary>
    public void Apply(RoomEvent happened, int actor, long gesture)
    {
        switch (happened)
        {
            case MarkAdded(var mark):
                Put(mark);
                Journal.Note(gesture, actor, new Erasing(mark.Id, true), new Erasing(mark.Id, false));
                break;
            case ChangesMade(var changes):
                foreach (var change in changes)
                {
                    if (Current(change.Target, change.Property) is not { } before) continue;
                    Journal.Note(gesture, actor, before, change);
                    Set(change);
                }

                break;
            case GestureUndone(var id, var changes, _):
                TurnBack(id, changes, undone: true);
                break;
            case GestureRedone(var id, var changes, _):
                TurnBack(id, changes, undone: false);
                break;
        }
    }

    /// <summary>Puts marks of a snapshot in place of those of the activity.</summary>
    public void Restore(ActivityContent head, IEnumerable<Mark> marks)
    {
        (Name, Directions) = (head.Name, head.Directions);
        _pages.Clear();
        _pages.AddRange(head.Pages);
        _marks.Clear();
        FrontOrder = 0;
        foreach (var mark in marks) Put(mark);
    }

    private void TurnBack(long id, ImmutableArray<Change> changes, bool undone)
    {
        var gesture = Journal.Find(id);
        foreach (var change in changes)
        {
            Set(change);
            Journal.SetWriter(change, undone ? gesture?.On(change.Target, change.Property)?.BeforeWriter ?? 0 : id);
        }

        if (gesture is not null) gesture.Undone = undone;
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
            case Sizing(var id, var size): SetPage(id, p => p with { Size = size }); return;
            case Papering(var id, var paper): SetPage(id, p => p with { Paper = paper }); return;
            case PageNaming(var id, var name): SetPage(id, p => p with { Name = name }); return;
        }

        if (!_marks.TryGetValue(change.Target, out var mark)) return;
        _marks[change.Target] = change switch
        {
            Placed(_, var place) => mark with { Place = place },
            Erasing(_, var erased) => mark with { Erased = erased },
            Cutting(_, var cuts) => mark with { Cuts = cuts },
            Styling(_, var style) => mark with { Style = style },
            Wording(_, var words, var width, var height) => mark with
            {
                Body = mark.Body switch
                {
                    TextBody t => t with { Words = words, Width = width, Height = height },
                    NoteBody n => n with { Words = words, Width = width, Height = height },
                    var other => other,
                },
            },
            _ => mark,
        };
    }

    private void SetPage(long id, Func<Page, Page> set)
    {
        var at = _pages.FindIndex(p => p.Id == id);
        if (at >= 0) _pages[at] = set(_pages[at]);
    }
}
