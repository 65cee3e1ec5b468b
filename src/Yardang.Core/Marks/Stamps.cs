using System.Collections.Frozen;
using System.Text.Json;

namespace Yardang.Core.Marks;

/// <summary>How a stamp is drawn, in a box of 100 by 100: SVG path data, one path drawn with a pen of <see cref="Stamps.PenWidth"/>, one filled.</summary>
public sealed record StampDrawing(string Name, string Line, string Fill);

/// <summary>The set of stamps. The browser reads the same file.</summary>
public static class Stamps
{
    /// <summary>Width of the pen, of a box of 100.</summary>
    public const int PenWidth = 7;

    /// <summary>All stamps, as they are offered.</summary>
    public static readonly IReadOnlyList<StampDrawing> All = Load();

    private static readonly FrozenDictionary<string, StampDrawing> s_byName = All.ToFrozenDictionary(s => s.Name, StringComparer.Ordinal);

    /// <summary>A stamp by its name; null if there is none.</summary>
    public static StampDrawing? Find(string name) => s_byName.GetValueOrDefault(name);

    private static StampDrawing[] Load()
    {
        using var stream = typeof(Stamps).Assembly.GetManifestResourceStream("stamps.json")!;
        return JsonSerializer.Deserialize<StampDrawing[]>(stream, JsonSerializerOptions.Web)!;
    }
}
