using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Ink;
using Yardang.Core.Rooms;

namespace Yardang.Core.Marks;

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
        AddMark add => Add(sheets, add, actor, client),
        MakeChanges make => Make(sheets, make, actor, design),
        UndoGesture undo => Undo(sheets, undo, actor),
        RedoGesture redo => Redo(sheets, redo, actor),
        _ => Refusal.NotAllowed,
    };

    private static Decision Add(Sheets sheets, AddMark add, Actor actor, int client)
    {
        if (Ids.ClientOf(add.Id) != client) return Refusal.Malformed;
        if (sheets.Marks.ContainsKey(add.Id)) return Refusal.Duplicate;
        if (!sheets.Pages.Any(p => p.Id == add.Page)) return Refusal.NoSuchPage;
        if (sheets.Marks.Count >= Limits.Marks) return Refusal.Full;
        if (Ownership.WhyNotAdd(actor, add.Grip) is { } why) return why;
        if (!IsValid(add.Body) || !IsValid(add.Style)) return Refusal.OutOfRange;
        return new MarkAdded(new Mark(
            add.Id, add.Page, actor.Number, actor.IsStaff, add.Grip, Math.Floor(sheets.FrontOrder) + 1, add.Body, add.Style,
            Place.AsDrawn, [], Erased: false));
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
        var (changes, skipped) = Turn(sheets, gesture, actor, s => s.Before, _ => gesture.Id);
        return new GestureUndone(gesture.Id, changes, skipped);
    }

    private static Decision Redo(Sheets sheets, RedoGesture redo, Actor actor)
    {
        var gesture = sheets.Journal.Find(redo.Gesture);
        if (gesture is null || !gesture.Undone) return Refusal.NothingToUndo;
        if (gesture.Actor != actor.Number) return Refusal.NotYours;
        var (changes, skipped) = Turn(sheets, gesture, actor, s => s.After, s => s.BeforeWriter);
        return new GestureRedone(gesture.Id, changes, skipped);
    }

    // A gesture of which everything must be skipped is turned all the same, so that the one before it can be reached.
    // Only properties that nobody else has written since, and only what this person may change today.
    private static (ImmutableArray<Change> Changes, ImmutableArray<long> Skipped) Turn(
        Sheets sheets, Gesture gesture, Actor actor, Func<Step, Change> value, Func<Step, long> expectedWriter)
    {
        var changes = ImmutableArray.CreateBuilder<Change>();
        var skipped = ImmutableArray.CreateBuilder<long>();
        foreach (var step in gesture.Steps)
        {
            var change = value(step);
            var untouched = sheets.Journal.WriterOf(change.Target, change.Property) == expectedWriter(step);
            if (untouched && WhyNot(sheets, change, actor, design: actor.IsStaff) is null) changes.Add(change);
            else skipped.Add(change.Target);
        }

        return (changes.ToImmutable(), skipped.ToImmutable());
    }

    private static Refusal? WhyNot(Sheets sheets, Change change, Actor actor, bool design)
    {
        if (change.IsDesign) return design && actor.IsStaff ? null : Refusal.NotAllowed;
        return sheets.Marks.TryGetValue(change.Target, out var mark) ? Ownership.WhyNot(actor, mark, change.Property) : Refusal.NotFound;
    }

    private static bool IsValid(Style style) => style.Colour is >= 0 and < 64 && style.Width is >= 0 and <= 2_000;

    private static bool IsValid(Change change, Sheets sheets) => change switch
    {
        Placed(_, var p) => Near(p.X) && Near(p.Y) && p.Turn is >= 0 and < 36_000,
        Cutting(var id, var cuts) => sheets.Marks[id].Body is InkBody ink && !cuts.IsEmpty && CutIntervals.IsNormal(cuts)
            && cuts.Length <= 2 * Limits.InkPoints && cuts[^1] <= Stroke.Length(ink.Points) + 1,
        Wording(_, var words, var width, var height) => IsValid(words) && IsSize(width) && IsSize(height),
        Styling(_, var style) => IsValid(style),
        Naming(var name) => AllWithin(name, Limits.NameLength),
        PageNaming(_, var name) => AllWithin(name, Limits.NameLength),
        Directing(var directions) => AllWithin(directions, Limits.DirectionsLength),
        Sizing(_, var size) => size.IsValid,
        Papering(_, var paper) => Enum.IsDefined(paper),
        _ => true,
    };

    private static bool IsValid(MarkBody body) => body switch
    {
        InkBody(var points) => points.Length is > 0 and <= Limits.InkPoints && points.All(p => Near(p.X) && Near(p.Y) && p.Ms is >= 0 and < 600_000),
        TextBody t => Near(t.X) && Near(t.Y) && IsSize(t.Width) && IsSize(t.Height) && IsValid(t.Words),
        NoteBody n => Near(n.X) && Near(n.Y) && IsSize(n.Width) && IsSize(n.Height) && IsValid(n.Words),
        _ => false,
    };

    private static bool IsValid(Words words) => words.Text.Length <= Limits.TextLength && words.Language.Length <= 35
        && words.Size is >= 100 and <= 20_000 && words.Lines.Length <= Limits.TextLength && words.Lines.Sum(l => l.Length) <= Limits.TextLength;

    private static bool AllWithin(Texts texts, int length) =>
        texts.ByLanguage.Count <= 40 && texts.ByLanguage.All(t => t.Key.Length is > 0 and <= 35 && t.Value.Length <= length);

    private static bool Near(int coordinate) => coordinate is >= -Limits.Reach and <= Limits.Reach;

    private static bool IsSize(int size) => size is > 0 and <= Limits.Reach;
}
