namespace Yardang.Core.Rooms;

/// <summary>Who works with whom. The numbers are stored and on the wire.</summary>
public enum Way
{
    /// <summary>Each student has a room of their own.</summary>
    OneEach = 0,

    /// <summary>Each group has a room; who is in none has one of their own.</summary>
    ByGroup = 1,

    /// <summary>Everybody works in one room.</summary>
    AllTogether = 2,
}
