namespace Yardang.Core.Rooms;

/// <summary>Whose a room of a lesson is. The numbers are stored.</summary>
public enum Whose
{
    /// <summary>A participant's own; the number is theirs.</summary>
    Own = 0,

    /// <summary>A group's; the number is the group's.</summary>
    Group = 1,

    /// <summary>Everybody's.</summary>
    Together = 2,

    /// <summary>The teacher's own.</summary>
    Teacher = 3,
}

/// <summary>Where a room stands in its lesson.</summary>
/// <param name="Part">Of which part of the activity it is, from 1.</param>
/// <param name="Whose">Whose it is.</param>
/// <param name="Number">Of the participant or group whose it is; 0 otherwise.</param>
public readonly record struct RoomPlace(int Part, Whose Whose, int Number)
{
    /// <summary>The part of an activity that has only one.</summary>
    public const int OnlyPart = 1;
}
