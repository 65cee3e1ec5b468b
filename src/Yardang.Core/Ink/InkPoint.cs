namespace Yardang.Core.Ink;

/// <summary>A point of a stroke.</summary>
/// <param name="X">1/100 mm from the page's left edge.</param>
/// <param name="Y">1/100 mm from the page's top edge.</param>
/// <param name="Pressure">0 to 255; 128 draws the pen's nominal width.</param>
/// <param name="Ms">Milliseconds since the stroke began.</param>
public readonly record struct InkPoint(int X, int Y, byte Pressure, int Ms);
