namespace Yardang.Core.Styles;

/// <summary>How a mark looks, beyond colour and width. The numbers are on the wire.</summary>
[Flags]
public enum Looks
{
    /// <summary>Nothing special.</summary>
    None = 0,

    /// <summary>Ink of one width, square to the hand: a felt tip.</summary>
    FeltTip = 1,

    /// <summary>Ink that colours what is under it and covers nothing.</summary>
    Highlighter = 2,

    /// <summary>A line with an arrowhead where it begins.</summary>
    ArrowAtStart = 4,

    /// <summary>A line with an arrowhead where it ends.</summary>
    ArrowAtEnd = 8,

    /// <summary>A dashed line.</summary>
    Dashed = 16,

    /// <summary>Heavy type.</summary>
    Bold = 32,

    /// <summary>Lines of text are centred.</summary>
    Centred = 64,

    /// <summary>Lines of text end at the same edge.</summary>
    AlignedEnd = 128,

    /// <summary>A shape shows the lengths of its sides.</summary>
    ShowsSides = 256,

    /// <summary>A shape shows its angles.</summary>
    ShowsAngles = 512,

    /// <summary>A shape shows its perimeter.</summary>
    ShowsPerimeter = 1_024,

    /// <summary>A shape shows its area.</summary>
    ShowsArea = 2_048,
}
