namespace Yardang.Core.Wire;

/// <summary>
/// The number under which a record is on the wire and in the log, among those of the same family; never used again. What follows is the fields, in
/// the order in which the record has them. The codec, the browser's types and the tables of the protocol are made from this: <c>./yardang wire</c>.
/// </summary>
[AttributeUsage(AttributeTargets.Class, Inherited = false)]
public sealed class KindAttribute(int number) : Attribute
{
    /// <summary>The number.</summary>
    public int Number { get; } = number;
}

/// <summary>A family of records that are told apart by their kinds: [kind, [field ...]], in two places; or flat, in one: [kind, field ...].</summary>
[AttributeUsage(AttributeTargets.Class, Inherited = false)]
public sealed class FamilyAttribute : Attribute
{
    /// <summary>Whether the fields stand behind the kind in one array.</summary>
    public bool Flat { get; init; }

    /// <summary>The enumeration whose numbers are the kinds, if there is one; then a negative kind stands for one whose value is left unsaid.</summary>
    public Type? Key { get; init; }
}

/// <summary>
/// A field that earlier versions of the record did not have. Those of a version are written together, and left out if they, and all of later
/// versions, are as usual.
/// </summary>
[AttributeUsage(AttributeTargets.Parameter)]
public sealed class SinceAttribute(int version) : Attribute
{
    /// <summary>From 2 on.</summary>
    public int Version { get; } = version;

    /// <summary>Written even if it is as usual.</summary>
    public bool Always { get; init; }
}

/// <summary>A number that is -1 where there is none.</summary>
[AttributeUsage(AttributeTargets.Parameter)]
public sealed class OrMinusOneAttribute : Attribute;

/// <summary>A record whose fields stand among those of the record that holds it.</summary>
[AttributeUsage(AttributeTargets.Parameter)]
public sealed class InlineAttribute : Attribute;

/// <summary>More than this cannot be read.</summary>
[AttributeUsage(AttributeTargets.Parameter)]
public sealed class AtMostAttribute(int count) : Attribute
{
    /// <summary>How many.</summary>
    public int Count { get; } = count;
}

/// <summary>Nothing and empty are the same: written as empty, read as nothing by the program; for the browser it is never null.</summary>
[AttributeUsage(AttributeTargets.Parameter)]
public sealed class NullIsEmptyAttribute : Attribute;

/// <summary>A property beside those of the record's head, and where it stands among them.</summary>
[AttributeUsage(AttributeTargets.Property)]
public sealed class FieldAttribute(int position) : Attribute
{
    /// <summary>From 0.</summary>
    public int Position { get; } = position;
}

/// <summary>A record that the first version wrote as its first field alone.</summary>
[AttributeUsage(AttributeTargets.Class, Inherited = false)]
public sealed class OnceANumberAttribute : Attribute;
