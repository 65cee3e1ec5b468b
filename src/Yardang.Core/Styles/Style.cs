using System.Text.Json.Serialization;
using Yardang.Core.Wire;

namespace Yardang.Core.Styles;

/// <summary>How a mark looks. What the numbers mean is in <c>Palette</c>.</summary>
/// <param name="Colour">Index into the palette of the mark's kind.</param>
/// <param name="Width">Line width of ink and shapes, 1/100 mm; 0 where there is none.</param>
/// <param name="Fill">Shapes: 0 for none, else 1 + the index into the note palette.</param>
/// <param name="Looks">The rest.</param>
public readonly record struct Style(int Colour, int Width, [Since(2)] int Fill = 0, [Since(2)] Looks Looks = Looks.None)
{
    private const int Colours = 64;
    private const Looks AllLooks = (Looks)4_095;

    /// <summary>Whether all is within its ranges.</summary>
    [JsonIgnore]
    public bool IsValid => Colour is >= 0 and < Colours && Width is >= 0 and <= 2_000 && Fill is >= 0 and <= Colours && (Looks & ~AllLooks) == Looks.None;
}
