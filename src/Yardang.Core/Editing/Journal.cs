using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Editing;

/// <summary>One property that a gesture changed.</summary>
/// <param name="Before">The value it found.</param>
/// <param name="BeforeWriter">The gesture that had written that value; 0 if it was the first.</param>
/// <param name="After">The value it left.</param>
/// <param name="TakenBack">Whether the last undo of its gesture took it back: what it had to skip is not done again either.</param>
public sealed record Step(Change Before, long BeforeWriter, Change After, [Since(2)] bool TakenBack = false);

/// <summary>What one person did in one go.</summary>
public sealed class Gesture(long id, int actor)
{
    private readonly OrderedDictionary<(long Target, Property Property), Step> _steps = [];

    /// <summary>The gesture's id.</summary>
    public long Id { get; } = id;

    /// <summary>Who made it.</summary>
    public int Actor { get; } = actor;

    /// <summary>Whether it is taken back at the moment.</summary>
    public bool Undone { get; private set; }

    /// <summary>What it changed: one step for each property, in the order of first touch.</summary>
    public IReadOnlyList<Step> Steps => _steps.Values;

    /// <summary>What it did to one property; null if nothing.</summary>
    public Step? On(long target, Property property) => _steps.GetValueOrDefault((target, property));

    /// <summary>It was taken back, or done again, with these changes.</summary>
    internal void Turn(ImmutableArray<Change> changes, bool undone)
    {
        Undone = undone;
        if (!undone) return;
        var takenBack = changes.Select(c => (c.Target, c.Property)).ToHashSet();
        foreach (var key in _steps.Keys.ToList()) _steps[key] = _steps[key] with { TakenBack = takenBack.Contains(key) };
    }

    /// <summary>It is as a snapshot says.</summary>
    internal void Restore(GestureSnapshot snapshot)
    {
        Undone = snapshot.Undone;
        foreach (var step in snapshot.Steps) Note(step);
    }

    internal void Note(Step step)
    {
        var key = (step.After.Target, step.After.Property);
        var goesOn = step.BeforeWriter == Id && _steps.ContainsKey(key);
        _steps[key] = goesOn ? _steps[key] with { After = step.After } : step;
    }
}

/// <summary>
/// The gestures that can be undone, and which gesture wrote each property last. Derived from the log, so that undo survives a reload.
/// </summary>
public sealed class Journal
{
    private readonly Dictionary<long, Gesture> _gestures = [];
    private readonly Dictionary<int, List<Gesture>> _byActor = [];
    private readonly Dictionary<(long Target, Property Property), long> _writers = [];

    /// <summary>Forgets everything: something else was put in place of all there was.</summary>
    internal void Clear()
    {
        _gestures.Clear();
        _byActor.Clear();
        _writers.Clear();
    }

    /// <summary>The last writers that can still matter to an undo or redo, in a fixed order.</summary>
    public IEnumerable<KeyValuePair<(long Target, Property Property), long>> Writers()
    {
        var steps = Gestures.SelectMany(g => g.Steps).ToList();
        var gestures = steps.Select(s => s.BeforeWriter).Concat(_gestures.Keys).ToHashSet();
        return _writers.Where(w => w.Value != 0 && gestures.Contains(w.Value)).OrderBy(w => w.Key.Target).ThenBy(w => w.Key.Property);
    }

    /// <summary>Everybody's gestures, each person's in order.</summary>
    public IEnumerable<Gesture> Gestures => _byActor.OrderBy(a => a.Key).SelectMany(a => a.Value);

    /// <summary>The gesture that last wrote a property; 0 if none has since the thing was there.</summary>
    public long WriterOf(long target, Property property) => _writers.GetValueOrDefault((target, property));

    /// <summary>The gesture with an id, if it can still be undone or redone.</summary>
    public Gesture? Find(long gesture) => _gestures.GetValueOrDefault(gesture);

    /// <summary>The gesture that undo takes back next for a person; null if there is none.</summary>
    public Gesture? NextUndo(int actor) => _byActor.GetValueOrDefault(actor)?.FindLast(g => !g.Undone);

    /// <summary>The gesture that redo does again next for a person; null if there is none.</summary>
    public Gesture? NextRedo(int actor) => _byActor.GetValueOrDefault(actor)?.Find(g => g.Undone);

    internal void Note(long gesture, int actor, Change before, Change after)
    {
        var key = (after.Target, after.Property);

        // A writer whose gesture can no longer be undone is nobody: so a room restored from a snapshot knows the same.
        var writer = WriterOf(after.Target, after.Property);
        var step = new Step(before, _gestures.ContainsKey(writer) ? writer : 0, after);
        _writers[key] = gesture;
        if (gesture == 0) return;
        if (!_gestures.TryGetValue(gesture, out var record)) record = Begin(gesture, actor);
        record.Note(step);
    }

    internal void SetWriter(Change change, long writer) => _writers[(change.Target, change.Property)] = writer;

    /// <summary>Puts a snapshot's journal into an empty one.</summary>
    internal void Restore(SheetsSnapshot snapshot)
    {
        foreach (var (target, property, writer) in snapshot.Writers) _writers[(target, property)] = writer;
        foreach (var gesture in snapshot.Gestures) Enlist(gesture.Id, gesture.Actor).Restore(gesture);
    }

    // A new gesture ends the chance to redo older ones, and the oldest make room.
    private Gesture Begin(long gesture, int actor)
    {
        if (_byActor.TryGetValue(actor, out var mine))
        {
            foreach (var undone in mine.Where(g => g.Undone)) _gestures.Remove(undone.Id);
            mine.RemoveAll(g => g.Undone);
            if (mine.Count >= Limits.Gestures)
            {
                _gestures.Remove(mine[0].Id);
                mine.RemoveAt(0);
            }
        }

        return Enlist(gesture, actor);
    }

    private Gesture Enlist(long gesture, int actor)
    {
        var record = new Gesture(gesture, actor);
        _gestures[gesture] = record;
        if (!_byActor.TryGetValue(actor, out var mine)) _byActor[actor] = mine = [];
        mine.Add(record);
        return record;
    }
}
