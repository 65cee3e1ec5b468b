using System.Text.Json.Serialization;
using Yardang.Core.Media;
using Yardang.Core.Wire;

namespace Yardang.Core.Pages;

/// <summary>Kinds of ruling. The numbers are on the wire.</summary>
public enum PaperKind
{
    /// <summary>No ruling.</summary>
    Plain = 0,

    /// <summary>Squares.</summary>
    Squared = 1,

    /// <summary>Lines to write on.</summary>
    Ruled = 2,

    /// <summary>Bands of three lines for learning to write: top of small letters, baseline, and the far line.</summary>
    Handwriting = 3,

    /// <summary>Dots at the corners of squares.</summary>
    Dotted = 4,

    /// <summary>Dots at the corners of equilateral triangles.</summary>
    Isometric = 5,

    /// <summary>Two axes with a grid.</summary>
    CoordinatePlane = 6,

    /// <summary>One axis in the middle of the page.</summary>
    NumberLine = 7,

    /// <summary>Music: groups of five lines.</summary>
    Staves = 8,

    /// <summary>Columns and rows.</summary>
    Table = 9,

    /// <summary>A picture of the teacher's, as large as the page can show it whole.</summary>
    Picture = 10,
}

/// <summary>The numbers along an axis, in thousandths, so that steps of a tenth are exact.</summary>
/// <param name="From">The first number.</param>
/// <param name="To">The last number; larger than the first.</param>
/// <param name="Step">From one line to the next.</param>
public sealed record Axis(int From, int To, int Step)
{
    /// <summary>The most lines along one axis: more could not be told apart.</summary>
    public const int MostSteps = 100;

    private const int Furthest = 1_000_000_000;

    /// <summary>Whether it rises, in at most <see cref="MostSteps"/> whole steps, within a million either way.</summary>
    [JsonIgnore]
    public bool IsValid => From is >= -Furthest and <= Furthest && To is >= -Furthest and <= Furthest && Step > 0
        && To > From && (long)(To - (long)From) / Step <= MostSteps;
}

/// <summary>The ruling under everything on a page, with its settings. Settings that a kind does not use are as they are by default.</summary>
/// <param name="Kind">Which ruling.</param>
/// <param name="Spacing">From line to line, 1/100 mm; 0 takes what is usual for the kind.</param>
/// <param name="Across">Numbers along the horizontal axis of a plane or number line.</param>
/// <param name="Up">Numbers along the vertical axis of a plane.</param>
/// <param name="Columns">Of a table.</param>
/// <param name="Rows">Of a table.</param>
/// <param name="Media">Of a picture: its name in the media store. Null for all others.</param>
[OnceANumber]
public sealed record Paper(PaperKind Kind, int Spacing = 0, Axis? Across = null, Axis? Up = null, int Columns = 0, int Rows = 0, [Since(2)] string? Media = null)
{
    /// <summary>No ruling.</summary>
    public static readonly Paper Plain = new(PaperKind.Plain);

    private const int MostCells = 60;

    /// <summary>Whether all settings are within their ranges: spacing 2 to 50 mm, axes that rise, 1 to 60 columns and rows, a picture if it is one.</summary>
    [JsonIgnore]
    public bool IsValid => Enum.IsDefined(Kind) && Spacing is 0 or (>= 200 and <= 5_000)
        && Across is null or { IsValid: true } && Up is null or { IsValid: true }
        && Columns is >= 0 and <= MostCells && Rows is >= 0 and <= MostCells
        && (Kind == PaperKind.Picture ? Media is not null && MediaName.IsValid(Media) : Media is null);
}
