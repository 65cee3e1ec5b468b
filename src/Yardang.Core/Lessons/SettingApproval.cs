using Yardang.Core.Moderation;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>Staff: whose work waits before others see it, on the walls and shared boards of a part. What waits already goes on waiting.</summary>
/// <param name="Part">The part by its number.</param>
/// <param name="Approval">Whose, and when.</param>
[Kind(103)]
public sealed record SetApproval(int Part, [Inline] Approval Approval) : Command;

/// <summary>It was set.</summary>
[Kind(137)]
public sealed record ApprovalSet(int Part, [Inline] Approval Approval) : RoomEvent;
