namespace Yardang.Core.Rooms;

/// <summary>In what capacity somebody acts.</summary>
public enum Role
{
    /// <summary>A participant of the lesson.</summary>
    Student = 0,

    /// <summary>A teacher or co-teacher of the lesson.</summary>
    Staff = 1,

    /// <summary>The program itself, on nobody's behalf.</summary>
    Program = 2,
}

/// <summary>Who acts in a room. The number is opaque, belongs to one lesson, and is the only trace of a person in a log.</summary>
/// <param name="Number">1 is the owner; participants count on from 2; 0 is the program.</param>
/// <param name="Role">The rights of this moment.</param>
public readonly record struct Actor(int Number, Role Role)
{
    /// <summary>Whether they may look and nothing else.</summary>
    public bool LooksOnly { get; init; }

    /// <summary>
    /// Whether they worked in this room and do so no longer: moved to another board, or removed. What they had done before and what arrives
    /// only now is set aside for the teacher; they are told of nothing but their own.
    /// </summary>
    public bool HasLeft { get; init; }

    /// <summary>Whether they are a teacher who reads a wall on which names are for nobody: they are told what classmates are told.</summary>
    public bool IsBlind { get; init; }

    /// <summary>The program, for events that no person caused.</summary>
    public static readonly Actor Program = new(0, Role.Program);

    /// <summary>The owner of an activity or lesson.</summary>
    public static readonly Actor Owner = new(1, Role.Staff);

    /// <summary>Somebody from outside who was shown a board: on a page of the school's. They look, and are told of no people.</summary>
    public static readonly Actor Onlooker = new(-1, Role.Student) { LooksOnly = true };

    /// <summary>Whether the actor has a teacher's powers.</summary>
    public bool IsStaff => Role != Role.Student;

    /// <summary>Whether they are told of everything.</summary>
    public bool SeesAll => IsStaff && !IsBlind;

    /// <summary>The same as a reader of a room that is sealed from teachers. The program goes on knowing all.</summary>
    /// <param name="isSealed">Whether it is.</param>
    public Actor ReadingWhere(bool isSealed) => isSealed && Role == Role.Staff ? this with { IsBlind = true } : this;
}
