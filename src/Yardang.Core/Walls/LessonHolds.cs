using Yardang.Core.Rooms;

namespace Yardang.Core.Walls;

/// <summary>Whether its lesson lets each see only their own on a wall, and what the wall itself would do. The numbers are on the wire.</summary>
public enum LessonHolds
{
    /// <summary>It does not: the wall's own rule holds.</summary>
    No = 0,

    /// <summary>It does; the wall itself would show all cards.</summary>
    WallWouldShow = 1,

    /// <summary>It does, and so does the wall.</summary>
    WallHoldsToo = 2,
}

/// <summary>The program: the lesson lets each see only their own here, or no longer does (<see cref="Allowed.OwnFirst"/>).</summary>
public sealed record FollowLesson : Command;
