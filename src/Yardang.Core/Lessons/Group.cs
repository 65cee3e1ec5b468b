using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>Participants who share a board.</summary>
/// <param name="Number">Counted from 1 in a lesson and never used again, so that a group's board stays its own.</param>
/// <param name="Name">What the teacher calls it.</param>
/// <param name="People">Their actor numbers.</param>
/// <param name="Helper">The actor number of the teacher who looks after them; 0 for nobody in particular.</param>
public sealed record Group(int Number, string Name, [AtMost(Limits.People)] ImmutableArray<int> People, [Since(2, Always = true)] int Helper = 0)
{
    /// <summary>Longest name, in characters.</summary>
    public const int NameLength = 40;

    /// <inheritdoc/>
    public bool Equals(Group? other) => other is not null && Number == other.Number && Helper == other.Helper && string.Equals(Name, other.Name, StringComparison.Ordinal) && People.SequenceEqual(other.People);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Number, Name, People.Length);
}

/// <summary>
/// Who shares a board with whom, and what was so before: every change of the groups can be taken back and done again. Immutable.
/// </summary>
/// <param name="Now">The groups.</param>
/// <param name="Past">Earlier arrangements, the latest last.</param>
/// <param name="Future">Arrangements that were taken back, the next last.</param>
/// <param name="Used">The highest group number that ever was.</param>
public sealed record Grouping(ImmutableArray<Group> Now, ImmutableArray<ImmutableArray<Group>> Past, ImmutableArray<ImmutableArray<Group>> Future, int Used)
{
    /// <summary>The most groups of a lesson.</summary>
    public const int Most = 150;

    /// <summary>How many changes can be taken back.</summary>
    public const int Remembered = 30;

    /// <summary>Nobody is in a group.</summary>
    public static readonly Grouping None = new([], [], [], 0);

    /// <summary>The group of a person; null if they are in none.</summary>
    public Group? Of(int person) => Now.FirstOrDefault(g => g.People.Contains(person));

    /// <summary>Other groups, of which the present ones can be brought back.</summary>
    public Grouping With(ImmutableArray<Group> groups) =>
        new(groups, [.. Past.Add(Now).TakeLast(Remembered)], [], Math.Max(Used, groups.Select(g => g.Number).DefaultIfEmpty().Max()));

    /// <summary>The groups before the last change. Who does not know them all is told which they are.</summary>
    public Grouping Undone(ImmutableArray<Group>? told = null) =>
        this with { Now = told ?? Past[^1], Past = Past.IsEmpty ? [] : Past[..^1], Future = Future.Add(Now) };

    /// <summary>The change that was taken back last, done again.</summary>
    public Grouping Redone(ImmutableArray<Group>? told = null) =>
        this with { Now = told ?? Future[^1], Past = Past.Add(Now), Future = Future.IsEmpty ? [] : Future[..^1] };

    /// <summary>A person is taken out of the lesson, and so of every arrangement that could be brought back.</summary>
    public Grouping Without(int person) => this with { Now = Without(Now, person), Past = Without(Past, person), Future = Without(Future, person) };

    private static ImmutableArray<ImmutableArray<Group>> Without(ImmutableArray<ImmutableArray<Group>> all, int person) =>
        [.. all.Select(groups => Without(groups, person))];

    private static ImmutableArray<Group> Without(ImmutableArray<Group> groups, int person) =>
        [.. groups.Select(g => g.People.Contains(person) ? g with { People = g.People.Remove(person) } : g)];
}
