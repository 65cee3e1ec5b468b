using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>Staff: on the walls of a part, or of the whole lesson, each student sees only their own cards until this is ended. The strictest of lesson, part and wall holds.</summary>
/// <param name="Part">The part by its number; <see cref="WholeLesson"/> for all of them.</param>
/// <param name="On">Whether it is so.</param>
[Kind(79)]
public sealed record SetOwnFirst(int Part, bool On) : Command
{
    /// <summary>Stands for all parts.</summary>
    public const int WholeLesson = 0;
}

/// <summary>On the walls of a part, or of the whole lesson, each sees only their own, or no longer because of it.</summary>
[Kind(112)]
public sealed record OwnFirstSet(int Part, bool On) : RoomEvent;
