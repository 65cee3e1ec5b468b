using System.Buffers;
using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Ink;
using Yardang.Core.Rooms;

namespace Yardang.Core.Marks;

/// <summary>The rules for what people do to marks and pages: valid, allowed, and still possible.</summary>
public static class Marking
{
    private const int MostLanguages = 40;
    private const int MostStarters = 20;

    // Path data that can only draw.
    private static readonly SearchValues<char> s_outline = SearchValues.Create("MLQCZ 0123456789.-");

    /// <summary>What a command does to the sheets now. Changes nothing.</summary>
    /// <param name="sheets">The pages.</param>
    /// <param name="command">What is asked.</param>
    /// <param name="actor">Who asks.</param>
    /// <param name="client">The client number that must stand in the id of a new mark.</param>
    /// <param name="design">Whether the activity itself may be changed: in drafts.</param>
    public static Decision Decide(Sheets sheets, Command command, Actor actor, int client, bool design) => command switch
    {
        AddMark(var id, var page, var grip, var body, var style) =>
            Add(sheets, page, [new NewMark(id, grip, body, style, Place.AsDrawn, null, [], 0)], actor, client, design) is var (added, why) && added.IsEmpty ? why : new MarkAdded(added[0]),
        AddMarks(var page, var marks) => Add(sheets, page, marks, actor, client, design) is var (added, why) && added.IsEmpty ? why : new MarksAdded(added),
        AddPage add => AddPage(sheets, add, actor, client, design),
        MakeChanges make => Make(sheets, make, actor, design),
        UndoGesture undo => Undo(sheets, undo, actor),
        RedoGesture redo => Redo(sheets, redo, actor),
        _ => Refusal.NotAllowed,
    };

    private static (ImmutableArray<Mark> Added, Refusal Why) Add(Sheets sheets, long pageId, ImmutableArray<NewMark> marks, Actor actor, int client, bool design)
    {
        if (marks.IsEmpty || marks.Length > Limits.NewMarks) return ([], Refusal.OutOfRange);
        if (sheets.FindPage(pageId) is not { Erased: false } page) return ([], Refusal.NoSuchPage);
        if (sheets.Marks.Count + marks.Length > Limits.Marks) return ([], Refusal.Full);
        var added = ImmutableArray.CreateBuilder<Mark>(marks.Length);
        var order = Math.Floor(sheets.FrontOrder);
        bool IsThere(long id) => marks.Any(m => m.Id == id && m.Body is not ConnectorBody)
            || (sheets.Marks.TryGetValue(id, out var end) && end.Page == pageId && end.Body is not ConnectorBody);
        foreach (var mark in marks)
        {
            if (mark.Body is ConnectorBody(var from, var to, _, _) && !(IsThere(from) && IsThere(to))) return ([], Refusal.NotFound);
            if (WhyNotAdd(sheets, page, mark, actor, client, design) is { } why) return ([], why);
            added.Add(new Mark(
                mark.Id, pageId, actor.Number, actor.IsStaff, mark.Grip, ++order, mark.Body, mark.Style, mark.Place, mark.Cuts, Erased: false, mark.Scale, Tie: mark.Tie));
        }

        return added.DistinctBy(m => m.Id).Count() == added.Count ? (added.MoveToImmutable(), default) : ([], Refusal.Duplicate);
    }

    private static Refusal? WhyNotAdd(Sheets sheets, Page page, NewMark mark, Actor actor, int client, bool design)
    {
        if (Ids.ClientOf(mark.Id) != client) return Refusal.Malformed;
        if (sheets.Marks.ContainsKey(mark.Id)) return Refusal.Duplicate;
        if (Ownership.WhyNotAdd(actor, mark.Grip) is { } why) return why;
        if (mark.Grip == Grip.Key && !design) return Refusal.NotAllowed;
        if (mark.Body is ZoneBody && !(design && mark.Grip == Grip.Printed)) return Refusal.NotAllowed;
        if (!actor.IsStaff && page.Withheld.HasFlag(ToolFor(mark))) return Refusal.Withheld;
        return IsValid(mark.Body) && IsValid(mark.Style) && IsValid(mark.Place) && mark.Scale is null or { IsValid: true }
            && (mark.Cuts.IsEmpty || (mark.Body is InkBody ink && AreCuts(mark.Cuts, ink))) ? null : Refusal.OutOfRange;
    }

    private static ToolSet ToolFor(NewMark mark) => mark.Body switch
    {
        InkBody => mark.Style.Looks.HasFlag(Looks.Highlighter) ? ToolSet.Highlighter : ToolSet.Pen,
        TextBody => ToolSet.Text,
        NoteBody or BubbleBody => ToolSet.Note,
        StampBody => ToolSet.Stamp,
        FormulaBody => ToolSet.Formula,
        PictureBody => ToolSet.Picture,
        _ => ToolSet.Shape,
    };

    private static Decision AddPage(Sheets sheets, AddPage add, Actor actor, int client, bool design)
    {
        if (!design || !actor.IsStaff) return Refusal.NotAllowed;
        if (Ids.ClientOf(add.Page.Id) != client) return Refusal.Malformed;
        if (sheets.FindPage(add.Page.Id) is not null) return Refusal.Duplicate;
        if (sheets.PageCount >= Limits.Pages) return Refusal.Full;
        return add.Page.Size.IsValid && add.Page.Paper.IsValid && add.Page.Stimulus is null or { IsValid: true } && IsOrder(add.Order) && AllWithin(add.Page.Name, Limits.NameLength)
            && AllWithin(add.Page.Directions ?? Texts.None, Limits.DirectionsLength) && AreStarters(add.Page.Starters ?? [])
            ? new PageAdded(add.Page, add.Order)
            : Refusal.OutOfRange;
    }

    private static Decision Make(Sheets sheets, MakeChanges make, Actor actor, bool design)
    {
        if (make.Changes.IsEmpty || make.Changes.Length > Limits.Changes) return Refusal.OutOfRange;
        var made = ImmutableArray.CreateBuilder<Change>(make.Changes.Length);
        foreach (var change in make.Changes)
        {
            var current = sheets.Current(change.Target, change.Property);
            if (current is null) return Refusal.NotFound;
            if (WhyNot(sheets, change, actor, design) is { } why) return why;
            if (!IsValid(change, sheets)) return Refusal.OutOfRange;
            made.Add(change is Cutting cut ? cut with { Cuts = CutIntervals.Union(((Cutting)current).Cuts, cut.Cuts) } : change);
        }

        return new ChangesMade(made.MoveToImmutable());
    }

    private static Decision Undo(Sheets sheets, UndoGesture undo, Actor actor)
    {
        var gesture = sheets.Journal.Find(undo.Gesture);
        if (gesture is null || gesture.Undone) return Refusal.NothingToUndo;
        if (gesture.Actor != actor.Number) return Refusal.NotYours;
        var (changes, skipped) = Turn(sheets, gesture, s => s.Before, _ => gesture.Id, change => WhyNot(sheets, change, actor, design: actor.IsStaff) is null);
        return new GestureUndone(gesture.Id, changes, skipped);
    }

    private static Decision Redo(Sheets sheets, RedoGesture redo, Actor actor)
    {
        var gesture = sheets.Journal.Find(redo.Gesture);
        if (gesture is null || !gesture.Undone) return Refusal.NothingToUndo;
        if (gesture.Actor != actor.Number) return Refusal.NotYours;
        var (changes, skipped) = Turn(sheets, gesture, s => s.After, s => s.BeforeWriter, change => WhyNot(sheets, change, actor, design: actor.IsStaff) is null);
        return new GestureRedone(gesture.Id, changes, skipped);
    }

    // A gesture of which everything must be skipped is turned all the same, so that the one before it can be reached.
    // Only properties that nobody else has written since, and only what may be changed today.
    internal static (ImmutableArray<Change> Changes, ImmutableArray<long> Skipped) Turn(
        Sheets sheets, Gesture gesture, Func<Step, Change> value, Func<Step, long> expectedWriter, Func<Change, bool> may)
    {
        var changes = ImmutableArray.CreateBuilder<Change>();
        var skipped = ImmutableArray.CreateBuilder<long>();
        foreach (var step in gesture.Steps)
        {
            var change = value(step);
            var untouched = sheets.Journal.WriterOf(change.Target, change.Property) == expectedWriter(step);
            if (untouched && may(change)) changes.Add(change);
            else skipped.Add(change.Target);
        }

        return (changes.ToImmutable(), skipped.ToImmutable());
    }

    private static Refusal? WhyNot(Sheets sheets, Change change, Actor actor, bool design)
    {
        if (change is Sizing sizing && !design) return WhyNotLengthen(sheets, sizing);
        if (change.IsDesign) return design && actor.IsStaff ? null : Refusal.NotAllowed;
        if (!sheets.Marks.TryGetValue(change.Target, out var mark)) return Refusal.NotFound;

        // The answer key is made in drafts only: no event on a board ever speaks of it, so none can tell a student.
        if (mark.Body is ZoneBody && (!design || change is Gripping)) return Refusal.NotAllowed;
        if (mark.Body is ConnectorBody && change is Placed or Scaling) return Refusal.NotAllowed;
        var isKey = mark.Grip == Grip.Key || change is Gripping(_, Grip.Key);
        return isKey && !design ? Refusal.NotAllowed : Ownership.WhyNot(actor, mark, change.Property);
    }

    // On a board, anybody may make room at the foot of a page, and nobody may take it away.
    private static Refusal? WhyNotLengthen(Sheets sheets, Sizing sizing) =>
        sheets.FindPage(sizing.Target)?.Size is { } now && sizing.Size.Width == now.Width && sizing.Size.Height >= now.Height ? null : Refusal.NotAllowed;

    private static bool IsValid(Style style) => style.Colour is >= 0 and < 64 && style.Width is >= 0 and <= 2_000 && style.Fill is >= 0 and <= 64;

    private static bool IsValid(Change change, Sheets sheets) => change switch
    {
        Placed(_, var p) => IsValid(p),
        Cutting(var id, var cuts) => sheets.Marks[id].Body is InkBody ink && AreCuts(cuts, ink),
        Scaling(_, var scale) => scale is null or { IsValid: true },
        Remaking(var id, var body) => body.GetType() == sheets.Marks[id].Body.GetType() && IsValid(body),
        Ordering(_, var order) => IsOrder(order),
        PageOrdering(_, var order) => IsOrder(order),
        Gripping(_, var grip) => Enum.IsDefined(grip),
        PageErasing(var id, var erased) => !erased || sheets.Pages.Any(p => p.Id != id),
        PageDirecting(_, var directions) => AllWithin(directions, Limits.DirectionsLength),
        Starting(_, var starters) => AreStarters(starters),
        Stimulating(_, var stimulus) => stimulus is null or { IsValid: true },
        Measuring(var unit) => Enum.IsDefined(unit),
        Wording(_, var words, var width, var height) => IsValid(words) && IsSize(width) && IsSize(height),
        Styling(_, var style) => IsValid(style),
        Naming(var name) => AllWithin(name, Limits.NameLength),
        PageNaming(_, var name) => AllWithin(name, Limits.NameLength),
        Directing(var directions) => AllWithin(directions, Limits.DirectionsLength),
        Sizing(_, var size) => size.IsValid,
        Papering(_, var paper) => paper.IsValid,
        _ => true,
    };

    private static bool IsValid(MarkBody body) => body switch
    {
        InkBody(var points) => points.Length is > 0 and <= Limits.InkPoints && points.All(p => Near(p.X) && Near(p.Y) && p.Ms is >= 0 and < 600_000),
        TextBody t => IsBox(t.X, t.Y, t.Width, t.Height) && IsValid(t.Words),
        NoteBody n => IsBox(n.X, n.Y, n.Width, n.Height) && IsValid(n.Words),
        ShapeBody s => IsValid(s),
        BubbleBody b => IsBox(b.X, b.Y, b.Width, b.Height) && Near(b.TipX) && Near(b.TipY) && IsValid(b.Words),
        PictureBody p => IsBox(p.X, p.Y, p.Width, p.Height) && MediaName.IsValid(p.Media)
            && p.Description.Length <= Limits.DescriptionLength && p.Text is null or { Length: <= Limits.PictureTextLength },
        FormulaBody f => IsBox(f.X, f.Y, f.Width, f.Height) && f.Source.Length is > 0 and <= Limits.FormulaLength
            && f.Outline.Length <= Limits.OutlineLength && f.Outline.AsSpan().IndexOfAnyExcept(s_outline) < 0,
        StampBody s => IsBox(s.X, s.Y, s.Width, s.Height) && Stamps.Find(s.Stamp) is not null,
        ConnectorBody c => c.From != c.To && c.Points.Length == 4 && c.Points.All(Near) && (c.Label is null || IsValid(c.Label)),
        ZoneBody z => z.Shape is ShapeKind.Polygon or ShapeKind.Ellipse && IsValid(new ShapeBody(z.Shape, z.Points)) && AllWithin(z.Name, Limits.NameLength)
            && Enum.IsDefined(z.Rule) && (z.Expected is null || IsValid(z.Expected)),
        _ => false,
    };

    private static bool IsValid(Words words) => IsValid(words.Language, words.Text, words.Lines, words.Size)
        && (words.Also is not { } also || (also.Length <= MostLanguages && also.All(a => IsValid(a.Language, a.Text, a.Lines, a.Size))
            && also.Select(a => a.Language).Append(words.Language).Distinct(StringComparer.Ordinal).Count() == also.Length + 1));

    private static bool IsValid(string language, string text, ImmutableArray<string> lines, int size) => text.Length <= Limits.TextLength && language.Length <= 35
        && size is >= 100 and <= 20_000 && lines.Length <= Limits.TextLength && lines.Sum(l => l.Length) <= Limits.TextLength;

    private static bool AreStarters(ImmutableArray<Texts> starters) => starters.Length <= MostStarters && starters.All(s => !s.IsEmpty && AllWithin(s, Limits.NameLength));

    private static bool IsValid(Expectation e) => e.Marks.Length <= Limits.Expected && e.Answers.Length <= Limits.Expected
        && e.Answers.All(a => a.Length is > 0 and <= Limits.NameLength) && e.Least is null or (>= 0 and <= Limits.Marks) && e.Most is null or (>= 0 and <= Limits.Marks);

    private static bool IsBox(int x, int y, int width, int height) => Near(x) && Near(y) && IsSize(width) && IsSize(height);

    private static bool IsValid(Place p) => Near(p.X) && Near(p.Y) && p.Turn is >= 0 and < 36_000;

    private static bool AreCuts(ImmutableArray<int> cuts, InkBody ink) =>
        !cuts.IsEmpty && CutIntervals.IsNormal(cuts) && cuts.Length <= 2 * Limits.InkPoints && cuts[^1] <= Stroke.Length(ink.Points) + 1;

    private static bool IsValid(ShapeBody shape)
    {
        var corners = shape.Points.Length / 2;
        var enough = shape.Shape switch
        {
            ShapeKind.Line => corners >= 2,
            ShapeKind.Polygon => corners >= 3,
            ShapeKind.Ellipse => corners == 2,
            ShapeKind.Arc => corners == 3,
            _ => false,
        };
        return enough && shape.Points.Length % 2 == 0 && corners <= Limits.Corners && shape.Points.All(Near);
    }

    private static bool IsOrder(double order) => Math.Abs(order) < 1e12;

    private static bool AllWithin(Texts texts, int length) =>
        texts.ByLanguage.Count <= MostLanguages && texts.ByLanguage.All(t => t.Key.Length is > 0 and <= 35 && t.Value.Length <= length);

    private static bool Near(int coordinate) => coordinate is >= -Limits.Reach and <= Limits.Reach;

    private static bool IsSize(int size) => size is > 0 and <= Limits.Reach;
}
