namespace Yardang.Core.Lessons;

/// <summary>Who works with whom in a lesson. (1 is kept for groups.)</summary>
public enum Way
{
    /// <summary>Each student has a board of their own.</summary>
    OneEach = 0,

    /// <summary>Everybody works on one board.</summary>
    AllTogether = 2,
}
