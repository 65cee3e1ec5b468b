using Yardang.Core.Attachments;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Threads;

/// <summary>Say something to a card of a wall or a mark of a board, or to another answer to it.</summary>
/// <param name="About">The card or mark.</param>
/// <param name="Id">Of the answer.</param>
/// <param name="To">The answer that it answers; 0 for the card or mark itself.</param>
/// <param name="Language">A BCP 47 tag.</param>
/// <param name="Text">What it says.</param>
/// <param name="Aloud">Whether a teacher said it aloud; the text is a note of it.</param>
/// <param name="Says">What it says of it.</param>
/// <param name="Shown">A teacher's: what is heard with it (<see cref="Answer.Shown"/>); null for nothing.</param>
[Kind(46)]
public sealed record GiveAnswer(long About, long Id, long To, string Language, string Text, [Since(2)] bool Aloud = false, [Since(3)] AnswerKind Says = AnswerKind.Plain, [Since(4)] Attachment? Shown = null) : Command;

/// <summary>An answer says something else.</summary>
[Kind(47)]
public sealed record RewordAnswer(long About, long Id, string Language, string Text) : Command;

/// <summary>
/// Take an answer down. It is kept; what answers it stays. By a teacher: <c>Words</c> say why to whoever wrote it, at most <see cref="LateWork.LongestWords"/> letters, and may be empty;
/// <c>Removes</c>: its author does not see it any more either. Of one that is down already a teacher says so anew. <c>AsItsAuthor</c>: as of cards (<see cref="Walls.TakeCardDown"/>).
/// </summary>
[Kind(48)]
public sealed record TakeAnswerDown(long About, long Id, [Since(2)] string Words = "", [Since(2)] bool Removes = false, [Since(3)] bool AsItsAuthor = false) : Command;

/// <summary>Put an answer back that was taken down: whoever took it down, and teachers.</summary>
[Kind(49)]
public sealed record PutAnswerBack(long About, long Id) : Command;

/// <summary>Something is said to a card or a mark. <c>Whose</c>: the author of the card where classmates do not see it; else 0. So in the events that follow.</summary>
[Kind(78)]
public sealed record AnswerGiven(long About, Answer Answer, int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>An answer says something else.</summary>
[Kind(79)]
public sealed record AnswerReworded(long About, long Id, string Language, string Text, int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>An answer was taken down by the actor of the event. Where a teacher did, to its author and to teachers: <c>Author</c>, why, whether its author does not see it either, and <c>By</c>: whose doing it counts as; 0: the actor's.</summary>
[Kind(80)]
public sealed record AnswerTakenDown(long About, long Id, int Whose = 0, [Since(2)] int Author = 0, [Since(2)] string Words = "", [Since(2)] bool Removed = false, [Since(3)] int By = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;

    /// <inheritdoc/>
    public override bool Withdraws => Author != 0;

    /// <inheritdoc/>
    public override RoomEvent AsTold(int person) => Author == 0 || Author == person ? this : new AnswerTakenDown(About, Id, Whose);
}

/// <summary>An answer is up again, as it stands: for those who never saw it.</summary>
[Kind(81)]
public sealed record AnswerPutBack(long About, Answer Answer, int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}
