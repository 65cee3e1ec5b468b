using System.Collections.Immutable;
using System.Globalization;

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
/// The same lines of <c>drawings.es.txt</c> say name | words in Spanish; so for every other language.
/// </summary>
public static class Drawings
{
    /// <summary>The side of the box that they are drawn in.</summary>
    public const int Side = 100;

    private const int Pen = 0x1d2b33;
    private const int Ring = 0xb93f2b;

    /// <summary>All of them.</summary>
    public static readonly ImmutableArray<Drawing> All = [.. Read("drawings.txt").Select((line, i) => Parse(line, i + 1))];

    private static readonly ImmutableDictionary<string, ImmutableArray<string>> s_inLanguages = typeof(Drawings).Assembly.GetManifestResourceNames()
        .Where(file => file.StartsWith("drawings.", StringComparison.Ordinal) && file.Split('.').Length == 3)
        .ToImmutableDictionary(file => file.Split('.')[1], file => Read(file).ToImmutableArray(), StringComparer.Ordinal);

    /// <summary>
    /// Drawings in whose name or words, in this language or in English, each of these begins a word, accents and case aside; all of them for no word.
    /// </summary>
    /// <param name="words">What is looked for.</param>
    /// <param name="language">The code of a language.</param>
    public static IEnumerable<Drawing> Search(string words, string language)
    {
        var asked = words.Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        return All.Where(d => asked.All(w => $"{d.Name} {d.Words} {InLanguage(d, language)}".Split(' ', '-', ',', '|').Any(x => Begins(x, w))));
    }

    /// <summary>What a drawing shows, in this language; in English if the program does not know the language.</summary>
    public static string NameIn(Drawing drawing, string language) => InLanguage(drawing, language) is { } line ? line.Split(" | ")[0] : drawing.Name;

    private static string? InLanguage(Drawing drawing, string language) => s_inLanguages.TryGetValue(language, out var lines) ? lines[drawing.Key - 1] : null;

    private static bool Begins(string word, string beginning) =>
        CultureInfo.InvariantCulture.CompareInfo.IsPrefix(word, beginning, CompareOptions.IgnoreCase | CompareOptions.IgnoreNonSpace);

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

    private static string[] Read(string file)
    {
        using var stream = typeof(Drawings).Assembly.GetManifestResourceStream(file)!;
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd().Split('\n', StringSplitOptions.RemoveEmptyEntries);
    }
}
