namespace Yardang.Core.Moderation;

/// <summary>What was found in a text. The numbers are on the wire.</summary>
public enum FindingKind
{
    /// <summary>A word that a class should not read.</summary>
    Word = 1,

    /// <summary>A telephone number.</summary>
    Phone = 2,

    /// <summary>An e-mail address.</summary>
    Email = 3,

    /// <summary>A postal address.</summary>
    Address = 4,

    /// <summary>A link.</summary>
    Link = 5,

    /// <summary>The name of somebody of the class, where names are off.</summary>
    Name = 6,
}

/// <summary>Where something was found.</summary>
/// <param name="Kind">What.</param>
/// <param name="Field">In which of the texts that were looked at together.</param>
/// <param name="Start">Where it begins there, in UTF-16 units.</param>
/// <param name="Length">How long it is.</param>
public readonly record struct Finding(FindingKind Kind, int Field, int Start, int Length);
