using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>Who sees the boards of students before they are shown. The numbers are on the wire; the larger is the stricter.</summary>
public enum Privacy
{
    /// <summary>Whoever may look at boards.</summary>
    None = 0,

    /// <summary>Nobody but those who work there, and teachers.</summary>
    UntilShown = 1,

    /// <summary>Nobody but those who work there.</summary>
    AlsoFromTeachers = 2,
}

/// <summary>Staff: what students write on their boards is seen by others when they show it, or when boards are up. Of lesson and part the stricter holds.</summary>
/// <param name="Part">The part by its number; <see cref="WholeLesson"/> for all of them.</param>
/// <param name="Privacy">From whom it is kept.</param>
[Kind(99)]
public sealed record SetPrivacy(int Part, Privacy Privacy) : Command
{
    /// <summary>Stands for all parts.</summary>
    public const int WholeLesson = 0;
}

/// <summary>From whom the boards of a part, or of the whole lesson, are kept until they are shown.</summary>
[Kind(133)]
public sealed record PrivacySet(int Part, Privacy Privacy) : RoomEvent;

/// <summary>Student: show what I do in a part, or show it no longer. Who shares a board shows it for all who work there.</summary>
[Kind(100)]
public sealed record ShowWork(int Part, bool On) : Command;

/// <summary>Somebody shows what they do in a part, or shows it no longer.</summary>
[Kind(134)]
public sealed record WorkShown(int Part, int Person, bool On) : RoomEvent;

/// <summary>Staff: the boards of a part are up, everybody's or those of some; or down again, but those that students have shown themselves.</summary>
/// <param name="Part">The part.</param>
/// <param name="People">Whose, by actor numbers; everybody's, also of those who come later, if none are named. Boards go down for everybody.</param>
/// <param name="Up">Whether they are up.</param>
[Kind(101)]
public sealed record CallBoardsUp(int Part, [AtMost(Limits.People)] ImmutableArray<int> People, bool Up) : Command;

/// <summary>Boards of a part are up, or down again.</summary>
[Kind(135)]
public sealed record BoardsUp(int Part, ImmutableArray<int> People, bool Up) : RoomEvent;

/// <summary>Somebody's work in a part is shown.</summary>
/// <param name="Part">The part.</param>
/// <param name="Person">Whose, by actor number.</param>
/// <param name="Called">Whether a teacher had it shown, and not they themselves.</param>
public sealed record ShownWork(int Part, int Person, bool Called);

/// <summary>What a snapshot says of it.</summary>
public sealed record ShowingSnapshot(ImmutableArray<PrivacyOf> Privacies, ImmutableSortedSet<int> Up, ImmutableArray<ShownWork> Shown);

/// <summary>From whom the boards of a part are kept, or of the whole lesson.</summary>
public sealed record PrivacyOf(int Part, Privacy Privacy);

/// <summary>Which boards of a lesson are seen by others, where they are private until they are shown.</summary>
public sealed class Showing
{
    private readonly SortedDictionary<int, Privacy> _privacies = [];
    private readonly SortedDictionary<(int Part, int Person), bool> _shown = [];
    private ImmutableSortedSet<int> _up = [];

    /// <summary>From whom the boards of a part are kept until they are shown.</summary>
    public Privacy In(int part) => (Privacy)Math.Max((int)_privacies.GetValueOrDefault(part), (int)_privacies.GetValueOrDefault(SetPrivacy.WholeLesson));

    /// <summary>Whether the boards of everybody are up in a part.</summary>
    public bool AreUp(int part) => _up.Contains(part);

    /// <summary>In which parts somebody's work is shown.</summary>
    public IEnumerable<int> ShownBy(int person) => _shown.Keys.Where(k => k.Person == person).Select(k => k.Part);

    /// <summary>Whether an event only opens to more eyes what was private: nobody has to be sent away because of it. Where boards are private no longer, what was shown may be looked at by nobody any more.</summary>
    public static bool OnlyOpens(RoomEvent happened) => happened is WorkShown { On: true } or BoardsUp { Up: true };

    /// <summary>The same as state.</summary>
    public ShowingSnapshot Snapshot() => new(
        [.. _privacies.Select(p => new PrivacyOf(p.Key, p.Value))], _up, [.. _shown.Select(s => new ShownWork(s.Key.Part, s.Key.Person, s.Value))]);

    internal void Restore(ShowingSnapshot snapshot)
    {
        foreach (var (part, privacy) in snapshot.Privacies) _privacies[part] = privacy;
        foreach (var (part, person, called) in snapshot.Shown) _shown[(part, person)] = called;
        _up = snapshot.Up;
    }

    internal Decision Decide(Command command, Actor actor, IReadOnlyDictionary<int, Person> people, ImmutableArray<int> parts) => command switch
    {
        SetPrivacy(var part, var privacy) => !Enum.IsDefined(privacy) ? Refusal.OutOfRange
            : part != SetPrivacy.WholeLesson && !parts.Contains(part) ? Refusal.NotFound
            : _privacies.GetValueOrDefault(part) == privacy ? Refusal.ChangedSince : new PrivacySet(part, privacy),
        ShowWork(var part, var on) => actor.IsStaff || people.GetValueOrDefault(actor.Number)?.Standing != Standing.In ? Refusal.NotAllowed
            : !parts.Contains(part) ? Refusal.NotFound
            : _shown.ContainsKey((part, actor.Number)) == on ? Refusal.ChangedSince : new WorkShown(part, actor.Number, on),
        CallBoardsUp(var part, var who, var up) => !parts.Contains(part) || !Calls.IsSome(who, people) ? Refusal.NotFound
            : !up && !who.IsEmpty ? Refusal.OutOfRange
            : !up && !_up.Contains(part) && !_shown.Any(s => s.Key.Part == part && s.Value) ? Refusal.ChangedSince : new BoardsUp(part, who, up),
        _ => Refusal.NotAllowed,
    };

    internal void Apply(RoomEvent happened)
    {
        switch (happened)
        {
            case PrivacySet(var part, Privacy.None): _privacies.Remove(part); break;
            case PrivacySet(var part, var privacy): _privacies[part] = privacy; break;
            case WorkShown(var part, var person, true): _shown[(part, person)] = false; break;
            case WorkShown(var part, var person, false): _shown.Remove((part, person)); break;
            case BoardsUp(var part, { IsEmpty: true }, true): _up = _up.Add(part); break;
            case BoardsUp(var part, var people, true):
                foreach (var person in people) _shown.TryAdd((part, person), true);
                break;
            case BoardsUp(var part, _, false):
                _up = _up.Remove(part);
                foreach (var key in _shown.Where(s => s.Key.Part == part && s.Value).Select(s => s.Key).ToList()) _shown.Remove(key);
                break;
        }
    }

    /// <summary>Whoever works with others than before has shown nothing to anybody yet, nor has their new board been shown.</summary>
    internal void Regroup(Grouping before, Grouping now)
    {
        foreach (var key in _shown.Keys.Where(k => before.Of(k.Person)?.Number != now.Of(k.Person)?.Number).ToList()) _shown.Remove(key);
    }
}
