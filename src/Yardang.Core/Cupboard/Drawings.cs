using System.Collections.Immutable;

namespace Yardang.Core.Cupboard;

/// <summary>A part of a drawing.</summary>
/// <param name="Fill">0xRRGGBB; null for a line without filling.</param>
/// <param name="Line">0xRRGGBB of the pen round it.</param>
/// <param name="Path">SVG path data in a box of 100 by 100.</param>
public sealed record DrawingLayer(int? Fill, int Line, string Path);

/// <summary>A labelled drawing, made for this program.</summary>
/// <param name="Key">Its number, from 1.</param>
/// <param name="Name">What it shows.</param>
/// <param name="Words">What it is found by, besides its name.</param>
/// <param name="Layers">Back to front.</param>
public sealed record Drawing(int Key, string Name, string Words, ImmutableArray<DrawingLayer> Layers);

/// <summary>
/// The program's own drawings: bridges, tools, nature, people, maps, signs. A line of <c>drawings.txt</c> is one:
/// name | words | colour path ; colour path ... A colour is #rrggbb for a filling, "-" for a line alone, "ring" for a warning ring.
/// </summary>
public static class Drawings
{
    /// <summary>The side of the box that they are drawn in.</summary>
    public const int Side = 100;

    private const int Pen = 0x1d2b33;
    private const int Ring = 0xb93f2b;

    /// <summary>All of them.</summary>
    public static readonly ImmutableArray<Drawing> All = [.. Read().Select((line, i) => Parse(line, i + 1))];

    /// <summary>Drawings in whose name or words each of these begins a word; all of them for no word.</summary>
    public static IEnumerable<Drawing> Search(string words)
    {
        var asked = words.Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        return All.Where(d => asked.All(w => $"{d.Name} {d.Words}".Split(' ', '-', ',').Any(x => x.StartsWith(w, StringComparison.OrdinalIgnoreCase))));
    }

    private static Drawing Parse(string line, int key)
    {
        var parts = line.Split(" | ");
        return new(key, parts[0], parts[1], [.. parts[2].Split(" ; ").Select(Layer)]);
    }

    private static DrawingLayer Layer(string text)
    {
        var (colour, path) = (text[..text.IndexOf(' ', StringComparison.Ordinal)], text[(text.IndexOf(' ', StringComparison.Ordinal) + 1)..]);
        return colour switch
        {
            "-" => new(null, Pen, path),
            "ring" => new(null, Ring, path),
            _ => new(Convert.ToInt32(colour[1..], 16), Pen, path),
        };
    }

    private static string[] Read()
    {
        using var stream = typeof(Drawings).Assembly.GetManifestResourceStream("drawings.txt")!;
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd().Split('\n', StringSplitOptions.RemoveEmptyEntries);
    }
}
