using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>Staff: after how many concerns what they are about hides itself, until a teacher has looked.</summary>
/// <param name="After">How many, at most <see cref="Most"/>; 0: it never does.</param>
[Kind(107)]
public sealed record SetHiding(int After) : Command
{
    /// <summary>Most that can be asked for.</summary>
    public const int Most = 10;
}

/// <summary>It was set.</summary>
[Kind(141)]
public sealed record HidingSet(int After) : RoomEvent;
