namespace Yardang.Web.Rooms;

/// <summary>Says in the log that somebody asked for a room without a right to it: one line, and for many in a row one more each minute that counts them.</summary>
public sealed class Strangers(TimeProvider clock, ILogger<Strangers> logger)
{
    private static readonly TimeSpan s_pause = TimeSpan.FromMinutes(1);

    private long _said;
    private int _unsaid;

    /// <summary>Notes one who was refused.</summary>
    public void Refused(Guid room)
    {
        var last = Volatile.Read(ref _said);
        if ((last != 0 && clock.GetElapsedTime(last) < s_pause) || Interlocked.CompareExchange(ref _said, clock.GetTimestamp(), last) != last)
        {
            Interlocked.Increment(ref _unsaid);
            return;
        }

        logger.LogWarning("Somebody asked for room {Room} without a right to it; {Others} others did since the last line.", room, Interlocked.Exchange(ref _unsaid, 0));
    }
}
