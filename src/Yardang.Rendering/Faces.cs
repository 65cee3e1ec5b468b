using SkiaSharp;

namespace Yardang.Rendering;

/// <summary>The type faces that ship with the application, and which of them has the letters of some text.</summary>
internal static class Faces
{
    /// <summary>The face of all texts of the application.</summary>
    public static readonly SKTypeface Regular = Load("AtkinsonHyperlegibleNext-Regular.ttf");

    private static readonly SKTypeface s_bold = Load("AtkinsonHyperlegibleNext-Bold.ttf");

    // For letters that the application's own face does not have, in this order.
    private static readonly SKTypeface[] s_others =
    [
        Load("NotoSansArabic-Regular.ttf"), Load("NotoSansHebrew-Regular.ttf"), Load("NotoSans-Regular.ttf"), Load("NotoSansDevanagari-Regular.ttf"), Load("NotoEmoji-Regular.ttf"), Load("NotoSansSC-Regular.woff"),
    ];

    /// <summary>The face for what is read as one letter; the application's own if none has it.</summary>
    public static SKTypeface For(string letter, bool bold)
    {
        var own = bold ? s_bold : Regular;
        if (Has(own, letter)) return own;
        return Array.Find(s_others, face => Has(face, letter)) ?? own;
    }

    /// <summary>Whether a face has no heavy cut of its own, so that one is made of it.</summary>
    public static bool IsMadeBold(SKTypeface face, bool bold) => bold && face != s_bold;

    // What only says how others are shown (joiners, variation selectors) need not be there.
    private static bool Has(SKTypeface face, string letter)
    {
        using var font = new SKFont(face);
        return letter.EnumerateRunes().All(r => r.Value is 0x200d or (>= 0xfe00 and <= 0xfe0f) || font.ContainsGlyph(r.Value));
    }

    private static SKTypeface Load(string name)
    {
        using var stream = typeof(Faces).Assembly.GetManifestResourceStream(name);
        return SKTypeface.FromStream(stream) ?? throw new InvalidOperationException($"The font {name} cannot be read.");
    }
}
