using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;

namespace Yardang.Core.Interchange;

/// <summary>Somebody whose work is archived.</summary>
/// <param name="Number">The author number of their marks.</param>
/// <param name="Name">As they called themselves.</param>
public sealed record ArchivedPerson(int Number, string Name);

/// <summary>A board with all that stands on it.</summary>
/// <param name="People">Who worked on it; empty for everybody's.</param>
/// <param name="Pages">In order; may be longer than those that were handed out.</param>
/// <param name="Marks">Printed ones included, back to front.</param>
/// <param name="Group">What the group is called whose board it is; null for other boards.</param>
public sealed record ArchivedBoard(ImmutableArray<int> People, ImmutableArray<Page> Pages, ImmutableArray<Mark> Marks, string? Group = null);

/// <summary>The work of a lesson: <c>work.json</c> of an archive. The activity beside it is the version that was handed out.</summary>
/// <param name="Name">What the lesson was called.</param>
/// <param name="ClassName">For whom; may be empty.</param>
/// <param name="HandedOutAt">When.</param>
/// <param name="Way">Who shared a board.</param>
/// <param name="People">In the order of arrival.</param>
/// <param name="Boards">In the order of arrival.</param>
public sealed record ArchivedWork(
    string Name, string ClassName, DateTimeOffset HandedOutAt, Way Way, ImmutableArray<ArchivedPerson> People, ImmutableArray<ArchivedBoard> Boards);
