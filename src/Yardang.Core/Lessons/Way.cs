namespace Yardang.Core.Lessons;

/// <summary>Who works with whom when a lesson begins.</summary>
public enum Way
{
    /// <summary>Each student has a board of their own.</summary>
    OneEach = 0,

    /// <summary>Each group has a board; who is in none has one of their own.</summary>
    ByGroup = 1,

    /// <summary>Everybody works on one board.</summary>
    AllTogether = 2,
}
