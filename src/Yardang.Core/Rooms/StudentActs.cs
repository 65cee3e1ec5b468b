namespace Yardang.Core.Rooms;

/// <summary>What a phase of a lesson can leave to students, or withhold from them, each by itself. The numbers are on the wire.</summary>
[Flags]
public enum StudentActs
{
    /// <summary>Nothing.</summary>
    None = 0,

    /// <summary>To write and draw: marks, cards, links, and all that is none of the others.</summary>
    Write = 1,

    /// <summary>To answer what stands there.</summary>
    Answer = 2,

    /// <summary>To move, sort and order what stands there.</summary>
    Move = 4,

    /// <summary>To choose, score, respond and take a stance.</summary>
    Judge = 8,

    /// <summary>All of them.</summary>
    All = Write | Answer | Move | Judge,
}
