namespace Yardang.Core.Pages;

/// <summary>In which lengths are shown.</summary>
public enum LengthUnit
{
    /// <summary>Centimetres.</summary>
    Centimetre = 0,

    /// <summary>Inches.</summary>
    Inch = 1,
}
