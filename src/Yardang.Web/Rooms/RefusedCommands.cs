using Yardang.Core.Rooms;

namespace Yardang.Web.Rooms;

/// <summary>The last refused commands of one tab, so that a retry gets the same answer as the first try. Forgotten when the room is put away.</summary>
public sealed class RefusedCommands
{
    /// <summary>For how many tabs of a room refusals are remembered; one more, and all are forgotten.</summary>
    public const int MostTabs = 2_000;

    private const int Remembered = 64;

    private readonly Queue<(int Counter, Refusal Reason)> _last = new();

    /// <summary>Why a command was refused; null if it was not, or not lately.</summary>
    public Refusal? ReasonFor(int counter)
    {
        foreach (var refused in _last)
        {
            if (refused.Counter == counter) return refused.Reason;
        }

        return null;
    }

    /// <summary>Notes a refusal.</summary>
    public void Remember(int counter, Refusal reason)
    {
        if (_last.Count == Remembered) _last.Dequeue();
        _last.Enqueue((counter, reason));
    }
}
