using System.Collections.Immutable;
using System.Globalization;
using System.Text;

namespace Yardang.Core.Lessons;

/// <summary>
/// The colour and the shape of a group, wherever it is named. They follow from its number, which it keeps, so that a group looks the same on every screen; but a
/// group that is called after a colour or a shape ("The red ones", "Triángulos") has that one. Of the first 64 groups no two have the same pair.
/// </summary>
/// <param name="Colour">From 0 to 7: ochre, blue, red, green, violet, turquoise, pink, brown.</param>
/// <param name="Shape">From 0 to 7: circle, square, triangle, diamond, hexagon, cross, arch, star.</param>
public readonly record struct GroupSign(int Colour, int Shape)
{
    /// <summary>How many colours there are, and how many shapes.</summary>
    public const int Kinds = 8;

    /// <summary>The colours, for fills on white: each 3:1 against it, and told apart by who sees colours otherwise.</summary>
    public static readonly ImmutableArray<string> Fills = ["#9a6a00", "#2f6fa8", "#b0513a", "#4d7a2c", "#7d5aa6", "#1f7f78", "#ad4a80", "#6f6650"];

    /// <summary>The shapes, as paths in a square of 20.</summary>
    public static readonly ImmutableArray<string> Paths =
    [
        "M10 2a8 8 0 1 0 0 16a8 8 0 1 0 0-16z",
        "M3 3h14v14h-14z",
        "M10 2l9 16h-18z",
        "M10 1l9 9l-9 9l-9-9z",
        "M5.5 2.5h9l4.5 7.5l-4.5 7.5h-9l-4.5-7.5z",
        "M7 2h6v5h5v6h-5v5h-6v-5h-5v-6h5z",
        "M2 18v-7a8 8 0 0 1 16 0v7h-5v-7a3 3 0 0 0-6 0v7z",
        "M10 1l2.7 5.9l6.3.7l-4.7 4.3l1.3 6.3l-5.6-3.2l-5.6 3.2l1.3-6.3l-4.7-4.3l6.3-.7z",
    ];

    private static readonly ImmutableArray<ImmutableArray<string>> s_colours =
    [
        ["yellow", "amber", "ochre", "gold", "orange", "amarillo", "amarilla", "ambar", "ocre", "oro", "naranja"],
        ["blue", "azul"],
        ["red", "rojo", "roja"],
        ["green", "verde"],
        ["violet", "purple", "lila", "morado", "morada", "violeta"],
        ["turquoise", "teal", "turquesa"],
        ["pink", "rosa"],
        ["brown", "grey", "gray", "marron", "gris"],
    ];

    private static readonly ImmutableArray<ImmutableArray<string>> s_shapes =
    [
        ["circle", "circulo"],
        ["square", "cuadrado"],
        ["triangle", "triangulo"],
        ["diamond", "rombo"],
        ["hexagon", "hexagono"],
        ["cross", "cruz", "cruces"],
        ["arch", "arches", "arco"],
        ["star", "estrella"],
    ];

    /// <summary>How it is filled.</summary>
    public string Fill => Fills[Colour];

    /// <summary>How it is drawn, in a square of 20.</summary>
    public string Path => Paths[Shape];

    /// <summary>The sign of a group.</summary>
    /// <param name="number">Its number, from 1.</param>
    /// <param name="name">What it is called.</param>
    public static GroupSign Of(int number, string name)
    {
        var nth = Math.Max(number, 1) - 1;
        var words = WordsOf(name);
        return new(Named(words, s_colours) ?? nth % Kinds, Named(words, s_shapes) ?? ((nth % Kinds) + (nth / Kinds % Kinds)) % Kinds);
    }

    private static int? Named(IReadOnlyList<string> words, ImmutableArray<ImmutableArray<string>> kinds)
    {
        foreach (var word in words)
        {
            for (var kind = 0; kind < kinds.Length; kind++)
            {
                foreach (var known in kinds[kind])
                {
                    // One of several, too: reds, squares, azules.
                    if (string.Equals(word, known, StringComparison.Ordinal) || string.Equals(word, $"{known}s", StringComparison.Ordinal) || string.Equals(word, $"{known}es", StringComparison.Ordinal)) return kind;
                }
            }
        }

        return null;
    }

    // Small letters without accents, whatever else is between them.
    private static List<string> WordsOf(string name)
    {
        List<string> words = [];
        var word = new StringBuilder();

        // Half a letter, which a name may hold, cannot be taken apart.
        foreach (var letter in string.Concat(name.EnumerateRunes()).Normalize(NormalizationForm.FormD).ToLowerInvariant())
        {
            if (char.IsAsciiLetterLower(letter)) word.Append(letter);
            else if (CharUnicodeInfo.GetUnicodeCategory(letter) != UnicodeCategory.NonSpacingMark) End();
        }

        End();
        return words;

        void End()
        {
            if (word.Length > 0) words.Add(word.ToString());
            word.Clear();
        }
    }
}
