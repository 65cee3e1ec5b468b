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
    /// <summary>The part with which an activity begins, and that of a draft.</summary>
    public const int FirstPart = 1;

    /// <summary>The highest number that a part can have.</summary>
    public const int LastPart = 99;

    /// <summary>Where somebody works in a part.</summary>
    /// <param name="part">The part.</param>
    /// <param name="way">Who works there with whom.</param>
    /// <param name="person">Who.</param>
    /// <param name="group">The number of their group; 0 if they are in none.</param>
    public static RoomPlace Of(int part, Way way, int person, int group) => way switch
    {
        Way.AllTogether => new(part, Whose.Together, 0),
        Way.ByGroup when group != 0 => new(part, Whose.Group, group),
        _ => new(part, Whose.Own, person),
    };
}
