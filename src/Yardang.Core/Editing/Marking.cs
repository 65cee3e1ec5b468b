using System.Collections.Immutable;
using Yardang.Core.Ink;
using Yardang.Core.Activities;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;

namespace Yardang.Core.Editing;

/// <summary>The rules for what people do to marks and pages: valid, allowed, and still possible.</summary>
public static class Marking
{
    /// <summary>What a command does to the sheets now. Changes nothing.</summary>
    /// <param name="sheets">The pages.</param>
    /// <param name="command">What is asked.</param>
    /// <param name="actor">Who asks.</param>
    /// <param name="client">The client number that must stand in the id of a new mark.</param>
    /// <param name="design">Whether the activity itself may be changed: in drafts.</param>
    public static Decision Decide(Sheets sheets, Command command, Actor actor, int client, bool design) => command switch
    {
        AddMark { For: not 0 } add when add.For < 0 || design || WhyNotSpeak(add, actor) is not null => Refusal.NotAllowed,
        AddMark add => Add(sheets, add.Page, [Drawn(add)], actor, client, design) is var (added, why) && added.IsEmpty ? why
            : new MarkAdded(add.For == 0 ? added[0] : added[0] with { Author = add.For, ByStaff = false, PutBy = actor.Number }),
        AddMarks(var page, var marks) => Add(sheets, page, marks, actor, client, design) is var (added, why) && added.IsEmpty ? why : new MarksAdded(added),
        AddPage add => AddPage(sheets, add, actor, client, design),
        MakeChanges(var changes) => Make(sheets, changes, actor, design),
        RestoreMarks(var changes) => design || !actor.IsStaff ? Refusal.NotAllowed : Make(sheets, changes, actor, design, asTheyWere: true),
        UndoGesture undo => Undo(sheets, undo, actor, design),
        RedoGesture redo => Redo(sheets, redo, actor, design),
        _ => Refusal.NotAllowed,
    };

    /// <summary>
    /// Why a student's work that arrives too late for a rule is not even kept for the teacher's decision: it would have been refused in time as well.
    /// It may rest on other work of theirs that waits already.
    /// </summary>
    /// <param name="sheets">The pages.</param>
    /// <param name="command">What is asked.</param>
    /// <param name="actor">Whose work it is.</param>
    /// <param name="client">The client number that must stand in the id of a new mark.</param>
    /// <param name="waiting">The mark with an id that waits already; null for none.</param>
    /// <param name="waits">Whether a gesture of theirs waits already.</param>
    public static Refusal? WhyNotLate(Sheets sheets, Command command, Actor actor, int client, Func<long, Mark?> waiting, Func<long, bool> waits) => command switch
    {
        AddMark { For: not 0 } => Refusal.NotAllowed,
        AddMark add => WhyNotLate(sheets, add.Page, [Drawn(add)], actor, client, waiting),
        AddMarks(var page, var marks) => WhyNotLate(sheets, page, marks, actor, client, waiting),
        MakeChanges make when make.Changes.IsEmpty || make.Changes.Length > Limits.Changes => Refusal.OutOfRange,
        MakeChanges make => make.Changes.Select(change => WhyNotLate(sheets, change, actor, waiting)).FirstOrDefault(why => why is not null),
        UndoGesture(var gesture) => WhyNotLateStep(sheets, gesture, actor, waits),
        RedoGesture(var gesture) => WhyNotLateStep(sheets, gesture, actor, waits),
        _ => Refusal.NotAllowed,
    };

    // A teacher puts in words what a student said aloud; it is theirs as if they had written it.
    private static Refusal? WhyNotSpeak(AddMark add, Actor actor) =>
        actor.IsStaff && add is { Grip: Grip.Own, Body: TextBody or NoteBody or BubbleBody } ? null : Refusal.NotAllowed;

    private static NewMark Drawn(AddMark add) => new(add.Id, add.Grip, add.Body, add.Style, Place.AsDrawn, null, [], 0);

    private static Refusal? WhyNotLateStep(Sheets sheets, long gesture, Actor actor, Func<long, bool> waits) =>
        waits(gesture) ? null : sheets.Journal.Find(gesture) is not { } mine ? Refusal.NothingToUndo : mine.Actor == actor.Number ? null : Refusal.NotYours;

    private static Refusal? WhyNotLate(Sheets sheets, long page, ImmutableArray<NewMark> marks, Actor actor, int client, Func<long, Mark?> waiting)
    {
        if (marks.Any(m => waiting(m.Id) is not null)) return Refusal.Duplicate;
        var (added, why) = Add(sheets, page, marks, actor, client, design: false, waiting);
        return added.IsEmpty ? why : null;
    }

    private static Refusal? WhyNotLate(Sheets sheets, Change change, Actor actor, Func<long, Mark?> waiting)
    {
        if (waiting(change.Target) is not { } mark) return WhyNot(sheets, change, actor, design: false) ?? (IsPossible(sheets, change) ? null : Refusal.OutOfRange);
        if (change.IsDesign || change is Wording && mark.Words is null) return Refusal.NotAllowed;
        return WhyNot(change, mark, actor, design: false) ?? (IsValid(change, sheets, mark) ? null : Refusal.OutOfRange);
    }

    private static bool IsPossible(Sheets sheets, Change change) =>
        sheets.Current(change.Target, change.Property) is not null && IsValid(change, sheets, sheets.Marks.GetValueOrDefault(change.Target));

    private static (ImmutableArray<Mark> Added, Refusal Why) Add(
        Sheets sheets, long pageId, ImmutableArray<NewMark> marks, Actor actor, int client, bool design, Func<long, Mark?>? waiting = null)
    {
        if (marks.IsEmpty || marks.Length > Limits.NewMarks) return ([], Refusal.OutOfRange);
        if (sheets.FindPage(pageId) is not { Erased: false } page) return ([], Refusal.NoSuchPage);
        if (sheets.Marks.Count + marks.Length > Limits.Marks) return ([], Refusal.Full);
        var added = ImmutableArray.CreateBuilder<Mark>(marks.Length);
        var order = Math.Floor(sheets.FrontOrder);
        bool IsThere(long id) => marks.Any(m => m.Id == id && !m.Body.Ends().Any())
            || ((sheets.Marks.GetValueOrDefault(id) ?? waiting?.Invoke(id)) is { } end && end.Page == pageId && !end.Body.Ends().Any());
        foreach (var mark in marks)
        {
            if (!mark.Body.Ends().All(IsThere)) return ([], Refusal.NotFound);
            if (WhyNotAdd(sheets, page, mark, actor, client, design) is { } why) return ([], why);
            if (mark.Body is FieldAnswerBody answer && WhyNotAnswer(sheets, marks, mark.Grip, answer, design) is { } unanswerable) return ([], unanswerable);
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
        if (mark.Body.BelongsToPage() && !(design && mark.Grip == Grip.Printed)) return Refusal.NotAllowed;
        if (!actor.IsStaff && !mark.Body.IsGivenOn(page, mark.Style.Looks)) return Refusal.Withheld;
        return Validity.IsValid(mark.Body, mark.Style, mark.Place, mark.Scale, mark.Cuts) ? null : Refusal.OutOfRange;
    }

    // One answer to a field: whose it is, changes it.
    private static Refusal? WhyNotAnswer(Sheets sheets, ImmutableArray<NewMark> marks, Grip grip, FieldAnswerBody answer, bool design)
    {
        if (design || grip != Grip.Own || sheets.Marks.GetValueOrDefault(answer.Field) is not { Stands: true, Body: AnswerFieldBody }) return Refusal.NotAllowed;
        var others = marks.Count(m => m.Body is FieldAnswerBody a && a.Field == answer.Field) - 1;
        return others > 0 || sheets.Marks.Values.Any(m => m.Stands && m.Body is FieldAnswerBody a && a.Field == answer.Field) ? Refusal.Answered : null;
    }

    private static Decision AddPage(Sheets sheets, AddPage add, Actor actor, int client, bool design)
    {
        // Pages of a new part come first, then the part.
        var isOfWall = sheets.Parts.Any(p => p.Number == add.Page.OfPart && p.Kind != PartKind.Pages);
        if (!design || !actor.IsStaff || isOfWall) return Refusal.NotAllowed;
        if (Ids.ClientOf(add.Page.Id) != client) return Refusal.Malformed;
        if (sheets.FindPage(add.Page.Id) is not null) return Refusal.Duplicate;
        if (sheets.PageCount >= Limits.Pages) return Refusal.Full;
        return Validity.IsValid(add.Page) && Validity.IsOrder(add.Order) ? new PageAdded(add.Page, add.Order) : Refusal.OutOfRange;
    }

    private static Decision Make(Sheets sheets, ImmutableArray<Change> asked, Actor actor, bool design, bool asTheyWere = false)
    {
        if (asked.IsEmpty || asked.Length > Limits.Changes) return Refusal.OutOfRange;
        var made = ImmutableArray.CreateBuilder<Change>(asked.Length);
        foreach (var change in asked)
        {
            var current = sheets.Current(change.Target, change.Property);
            if (current is null) return Refusal.NotFound;
            if (WhyNot(sheets, change, actor, design) is { } why) return why;
            var isWholeAgain = asTheyWere && change is Cutting { Cuts.IsEmpty: true };
            if (!isWholeAgain && !IsValid(change, sheets, sheets.Marks.GetValueOrDefault(change.Target))) return Refusal.OutOfRange;
            made.Add(change is Cutting cut && !asTheyWere ? cut with { Cuts = CutIntervals.Union(((Cutting)current).Cuts, cut.Cuts) } : change);
        }

        var changes = made.MoveToImmutable();
        return new ChangesMade(changes, design ? null : sheets.BackWith(changes));
    }

    private static Decision Undo(Sheets sheets, UndoGesture undo, Actor actor, bool design)
    {
        var gesture = sheets.Journal.Find(undo.Gesture);
        if (gesture is null || gesture.Undone) return Refusal.NothingToUndo;
        if (gesture.Actor != actor.Number) return Refusal.NotYours;
        var (changes, skipped) = Turn(sheets, gesture, s => s.Before, (_, writer) => writer == gesture.Id, change => WhyNot(sheets, change, actor, design: actor.IsStaff) is null);
        return new GestureUndone(gesture.Id, changes, skipped, design ? null : sheets.BackWith(changes));
    }

    private static Decision Redo(Sheets sheets, RedoGesture redo, Actor actor, bool design)
    {
        var gesture = sheets.Journal.Find(redo.Gesture);
        if (gesture is null || !gesture.Undone) return Refusal.NothingToUndo;
        if (gesture.Actor != actor.Number) return Refusal.NotYours;
        var (changes, skipped) = Turn(sheets, gesture, s => s.After, (s, writer) => s.TakenBack && writer == s.BeforeWriter, change => WhyNot(sheets, change, actor, design: actor.IsStaff) is null);
        return new GestureRedone(gesture.Id, changes, skipped, design ? null : sheets.BackWith(changes));
    }

    // A gesture of which everything must be skipped is turned all the same, so that the one before it can be reached.
    // Only properties that nobody else has written since, and only what may be changed today.
    internal static (ImmutableArray<Change> Changes, ImmutableArray<long> Skipped) Turn(
        Sheets sheets, Gesture gesture, Func<Step, Change> value, Func<Step, long, bool> isAsItLeftIt, Func<Change, bool> may)
    {
        var changes = ImmutableArray.CreateBuilder<Change>();
        var skipped = ImmutableArray.CreateBuilder<long>();
        foreach (var step in gesture.Steps)
        {
            var change = value(step);
            var untouched = isAsItLeftIt(step, sheets.Journal.WriterOf(change.Target, change.Property));
            if (untouched && may(change)) changes.Add(change);
            else skipped.Add(change.Target);
        }

        return (changes.ToImmutable(), skipped.ToImmutable());
    }

    private static Refusal? WhyNot(Sheets sheets, Change change, Actor actor, bool design)
    {
        if (change is Sizing sizing && !design) return WhyNotLengthen(sheets, sizing);
        if (change.IsDesign) return design && actor.IsStaff ? null : Refusal.NotAllowed;
        return sheets.Marks.TryGetValue(change.Target, out var mark) ? WhyNot(change, mark, actor, design) : Refusal.NotFound;
    }

    private static Refusal? WhyNot(Change change, Mark mark, Actor actor, bool design)
    {
        // Nobody changes what they do not see.
        if (!mark.IsSeenBy(actor)) return Refusal.NotFound;

        // Its author may not hold it any more; it is put back with all of it.
        if (change is TakingDown { Down: TakenDown.Hidden } && mark.Down == TakenDown.Removed) return Refusal.ChangedSince;

        // The answer key is made in drafts only: no event on a board ever speaks of it, so none can tell a student.
        if (mark.Body.BelongsToPage() && (!design || change is Gripping)) return Refusal.NotAllowed;
        if (mark.Body.Ends().Any() && change is Placed or Scaling) return Refusal.NotAllowed;
        var isKey = mark.Grip == Grip.Key || change is Gripping(_, Grip.Key);
        return isKey && !design ? Refusal.NotAllowed : Ownership.WhyNot(actor, mark, change.Property);
    }

    // On a board, anybody may make room at the foot of a page, and nobody may take it away.
    private static Refusal? WhyNotLengthen(Sheets sheets, Sizing sizing) =>
        sheets.FindPage(sizing.Target)?.Size is { } now && sizing.Size.Width == now.Width && sizing.Size.Height >= now.Height ? null : Refusal.NotAllowed;

    // Of its part, and of the activity.
    private static bool IsNotTheLast(Sheets sheets, long page)
    {
        var part = sheets.FindPage(page)?.OfPart;
        return sheets.Parts.All(p => p.Number != part) || sheets.Pages.Any(p => p.Id != page && p.OfPart == part);
    }

    // A part keeps its kind, and has pages if it is made of pages.
    private static bool MayBe(Sheets sheets, Part part) => sheets.Parts.All(now => now.Number != part.Number || now.Kind == part.Kind)
        && (part.Kind == PartKind.Pages ? sheets.Pages.Any(p => p.OfPart == part.Number) : sheets.AllPages.All(p => p.OfPart != part.Number));

    // The mark is the one that is changed; null where a page or the activity is.
    private static bool IsValid(Change change, Sheets sheets, Mark? mark) => change switch
    {
        Placed(_, var p) => Validity.IsValid(p) && (p.Turn == 0 || mark?.Body.MayTurn() != false),
        Cutting(_, var cuts) => mark?.Body is InkBody ink && ink.HasCuts(cuts),
        Scaling(_, var scale) => scale is null or { IsValid: true },
        Remaking(_, var body) => mark?.Body.MayBecome(body) == true && body.IsValid(),
        Ordering(_, var order) => Validity.IsOrder(order),
        PageOrdering(_, var order) => Validity.IsOrder(order),
        Gripping(_, var grip) => Enum.IsDefined(grip),
        TakingDown(_, var down) => Enum.IsDefined(down),
        PageErasing(var id, var erased) => !erased || IsNotTheLast(sheets, id),
        PageDirecting(_, var directions) => directions.IsWithin(Limits.DirectionsLength),
        Starting(_, var starters) => Validity.AreStarters(starters),
        Granting(_, var shows) => shows is null or { IsValid: true },
        Stimulating(_, var stimulus) => stimulus is null or { IsValid: true },
        Measuring(var unit) => Enum.IsDefined(unit),
        Wording(_, var words, var width, var height) => Validity.IsValid(words) && Validity.IsSize(width) && Validity.IsSize(height),
        Styling(_, var style) => mark is not null && Validity.IsValid(mark.Body, style),
        Naming(var name) => name.IsWithin(Limits.NameLength),
        PageNaming(_, var name) => name.IsWithin(Limits.NameLength),
        Dividing(var parts) => ContentRules.FaultIn(parts) is null && parts.All(part => MayBe(sheets, part)),
        Planning(var phases) => ContentRules.FaultIn(phases) is null,
        Directing(var directions) => directions.IsWithin(Limits.DirectionsLength),
        Sizing(_, var size) => size.IsValid,
        Papering(_, var paper) => paper.IsValid,
        Erasing or Pinning or Withholding => true,
        Tying(_, var tie) => tie >= 0,
        _ => false,
    };
}
