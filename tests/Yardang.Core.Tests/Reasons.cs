using Yardang.Core.Rooms;

namespace Yardang.Core.Tests;

/// <summary>Why something was refused.</summary>
internal static class Reasons
{
    /// <summary>The reason; fails where it was not refused.</summary>
    public static Refusal Reason(this Decision decision) => Assert.IsType<Decision.Refused>(decision).Reason;
}
