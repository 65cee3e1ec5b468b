using System.Collections.Immutable;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;

namespace Yardang.Core.History;

/// <summary>
/// How a student's own board came to be, as they may know it: what they were told of it, without what waited for a teacher, and without a trace of what a teacher has removed since.
/// </summary>
public sealed class OwnPast
{
    private readonly Actor _student;
    private readonly HashSet<long> _marks;
    private readonly HashSet<long> _answers;

    /// <summary>What is to be left out, by what has been removed until now.</summary>
    public OwnPast(Board now, Actor student)
    {
        _student = student;
        _marks = [.. now.Sheets.Marks.Values.Where(m => m.Down == TakenDown.Removed).Select(m => m.Id)];
        _answers = [.. now.Talk.All.SelectMany(t => t.Answers).Where(a => a.Removed).Select(a => a.Id)];
    }

    /// <summary>An event as it is told; null if it is not.</summary>
    public Envelope? Told(Envelope envelope)
    {
        if (!Sight.Of(_student, envelope) || envelope.Event is WorkSetAside or WorkReturned or LateWorkDiscarded or WorkTakenUpAgain) return null;
        var told = Sight.AsTold(_student, envelope);
        return Without(told.Event) is { } left ? ReferenceEquals(left, told.Event) ? told : told with { Event = left } : null;
    }

    private RoomEvent? Without(RoomEvent happened) => happened switch
    {
        MarkAdded(var mark) => _marks.Contains(mark.Id) ? null : happened,
        MarksAdded(var marks) => Left(marks) is var left && left.IsEmpty ? null : left.Length == marks.Length ? happened : new MarksAdded(left),
        ChangesMade e => Left(e.Changes) is var left && left.IsEmpty ? null : e with { Changes = left, Back = Left(e.Back) },
        GestureUndone e => e with { Changes = Left(e.Changes), Skipped = [.. e.Skipped.Where(id => !_marks.Contains(id))], Back = Left(e.Back) },
        GestureRedone e => e with { Changes = Left(e.Changes), Skipped = [.. e.Skipped.Where(id => !_marks.Contains(id))], Back = Left(e.Back) },
        LateWorkAccepted { Outcome: { } outcome } e => Without(outcome) is { } left ? e with { Outcome = left } : null,
        AnswerGiven e => IsGone(e.About, e.Answer.Id) ? null : e,
        AnswerReworded e => IsGone(e.About, e.Id) ? null : e,
        AnswerTakenDown e => IsGone(e.About, e.Id) ? null : e,
        AnswerPutBack e => IsGone(e.About, e.Answer.Id) ? null : e,
        _ => happened,
    };

    private bool IsGone(long about, long answer) => _marks.Contains(about) || _answers.Contains(answer);

    private ImmutableArray<Mark> Left(ImmutableArray<Mark> marks) => marks.Any(m => _marks.Contains(m.Id)) ? [.. marks.Where(m => !_marks.Contains(m.Id))] : marks;

    private ImmutableArray<Mark>? Left(ImmutableArray<Mark>? marks) => marks is { } some && Left(some) is { IsEmpty: false } left ? left : null;

    private ImmutableArray<Change> Left(ImmutableArray<Change> changes) => changes.Any(c => _marks.Contains(c.Target)) ? [.. changes.Where(c => !_marks.Contains(c.Target))] : changes;
}
