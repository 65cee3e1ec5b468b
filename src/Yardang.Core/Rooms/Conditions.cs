namespace Yardang.Core.Rooms;

/// <summary>
/// What the lesson allows at this moment. An input of <see cref="Room.Decide"/>, never of <see cref="Room.Apply"/>: replaying a log
/// needs no lesson.
/// </summary>
/// <param name="PensDown">Nobody but staff writes; everybody can look.</param>
/// <param name="Closed">The lesson is over; its boards can be read.</param>
/// <param name="Waits">The lesson is not open yet.</param>
public sealed record Conditions(bool PensDown = false, bool Closed = false, bool Waits = false)
{
    /// <summary>Nothing is restricted.</summary>
    public static readonly Conditions Open = new();

    /// <summary>Whether students may write now.</summary>
    public bool StudentsMayWrite => !PensDown && !Closed && !Waits;
}
