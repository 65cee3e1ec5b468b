namespace Yardang.Core.Rooms;

/// <summary>What somebody did last on a board or wall.</summary>
/// <param name="Person">The actor number.</param>
/// <param name="At">When, server time in ms.</param>
/// <param name="Page">On which page, or under which topic; 0 if that cannot be told.</param>
public sealed record LastAct(int Person, long At, long Page);
