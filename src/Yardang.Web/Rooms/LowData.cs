using System.Collections.Concurrent;
using MessagePack;
using Yardang.Core.Rooms;

namespace Yardang.Web.Rooms;

/// <summary>
/// What a connection is spared whose device or network is weak, as its page says: ink that is being drawn and pointers, and frequent frames of the
/// boards and walls at which it only looks. Nothing that is kept is left out.
/// </summary>
public sealed class LowData
{
    /// <summary>So long what happens at one of these is gathered.</summary>
    public static readonly TimeSpan Pause = TimeSpan.FromSeconds(1);

    private readonly ConcurrentDictionary<Guid, bool> _writtenIn = new();
    private volatile bool _isOn;

    /// <summary>Whether the page asks for it.</summary>
    public bool IsOn
    {
        get => _isOn;
        set => _isOn = value;
    }

    /// <summary>Its page writes in a room: there it is told at once.</summary>
    public void WritesIn(Guid room) => _writtenIn[room] = true;

    /// <summary>Whether what happens in a room is gathered. What a lesson says comes at once.</summary>
    public bool Gathers(Guid room, RoomKind kind) => _isOn && kind is RoomKind.Board or RoomKind.Wall && !_writtenIn.ContainsKey(room);

    /// <summary>Whether a preview can be done without: ink, or where somebody is or points; not that a teacher is here, or where she leads.</summary>
    public static bool IsPassing(byte[] preview)
    {
        try
        {
            var r = new MessagePackReader(preview);
            return r.ReadArrayHeader() == 0 || r.NextMessagePackType != MessagePackType.String || r.ReadString() is not ("beside" or "view");
        }
        catch (Exception e) when (e is MessagePackSerializationException or EndOfStreamException or OverflowException or ArgumentOutOfRangeException)
        {
            return true;
        }
    }
}
