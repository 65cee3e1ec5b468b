namespace Yardang.WireMaker;

/// <summary>What a value looks like on the wire.</summary>
public abstract record Form(Type Type);

/// <summary>A number, a truth, a text or an id.</summary>
public sealed record ScalarForm(Type Type) : Form(Type);

/// <summary>A number that stands for one of several words.</summary>
public sealed record EnumForm(Type Type) : Form(Type);

/// <summary>Written by hand: ink, texts in several languages, whole activities.</summary>
public sealed record HandForm(Type Type) : Form(Type);

/// <summary>So many of the same.</summary>
public sealed record ListForm(Type Type, Form Item) : Form(Type);

/// <summary>A record: its fields in an array.</summary>
public sealed record RecordForm(Type Type) : Form(Type);

/// <summary>One of several records, told apart by a number.</summary>
public sealed record FamilyForm(Type Type) : Form(Type);

/// <summary>A field of a record.</summary>
/// <param name="Name">As the record has it.</param>
/// <param name="Form">What it looks like.</param>
/// <param name="IsNullable">Whether there may be none.</param>
/// <param name="Version">Of the record, from 1: since when there is this field.</param>
/// <param name="Always">Whether it is written even if it is as usual.</param>
/// <param name="IsInline">Whether its own fields stand in its place.</param>
/// <param name="OrMinusOne">Whether -1 stands for none.</param>
/// <param name="NullIsEmpty">Whether empty stands for none.</param>
/// <param name="AtMost">The most items.</param>
/// <param name="InHead">Whether the record is made with it, rather than given it afterwards.</param>
/// <param name="Of">Of a later field of a record that stands among others: the field that holds that record. It stands behind those of the holder.</param>
public sealed record FieldForm(
    string Name, Form Form, bool IsNullable, int Version, bool Always, bool IsInline, bool OrMinusOne, bool NullIsEmpty, int? AtMost, bool InHead, string? Of = null)
{
    /// <summary>How it is reached from the record.</summary>
    public string Path => Of is null ? Name : $"{Of}.{Name}";
}

/// <summary>A record with its fields.</summary>
/// <param name="Type">The record.</param>
/// <param name="Fields">In the order of the wire.</param>
/// <param name="OnceANumber">Whether the first version wrote the first field alone.</param>
public sealed record Shape(Type Type, IReadOnlyList<FieldForm> Fields, bool OnceANumber)
{
    /// <summary>Those of the first version.</summary>
    public IEnumerable<FieldForm> Firsts => Fields.Where(f => f.Version == 1);
}

/// <summary>A family with its members.</summary>
/// <param name="Type">What they are all.</param>
/// <param name="Flat">Whether kind and fields stand in one array.</param>
/// <param name="Key">The enumeration of the kinds; then a negative kind stands for an unsaid value.</param>
/// <param name="Head">Fields of all members, before their own.</param>
/// <param name="Members">Each with its kind, in the order of the kinds.</param>
public sealed record Family(Type Type, bool Flat, Type? Key, IReadOnlyList<FieldForm> Head, IReadOnlyList<(int Kind, Shape Shape)> Members);
