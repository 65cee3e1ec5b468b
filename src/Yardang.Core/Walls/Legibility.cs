using Yardang.Core.Pages;

namespace Yardang.Core.Walls;

/// <summary>
/// What of a wall, or of a board that all share, can be read from the last row, shown on a screen in front of the class. By the rule for basic decision making of ANSI/AVIXA V202.01:2016: whoever sits farthest reads
/// letters whose height, without those parts that go up or down, is the distance divided by 200. Assumed is a screen 1.25 m high (16:9) and a last row 8 m from it.
/// </summary>
public static class Legibility
{
    /// <summary>Most lines that a question may take so written: more, and there is no room for what is answered.</summary>
    public const int QuestionLines = 3;

    private const double ScreenHeightMm = 1_250;
    private const double LastRowMm = 8_000;
    private const double Sides = 16 / 9.0;

    // Of the type: what a small letter is high and wide on average, as shares of its size.
    private const double LetterHeight = 0.5;
    private const double LetterWidth = 0.5;

    // At either side, as a share of the width.
    private const double Margin = 0.05;

    /// <summary>The size of the type that is needed, as a share of the height of the screen.</summary>
    public static double TypeSize => LastRowMm / 200 / ScreenHeightMm / LetterHeight;

    /// <summary>How many letters stand in a line of that size.</summary>
    public static int LettersInLine => (int)Math.Floor((Sides * (1 - (2 * Margin)) / (TypeSize * LetterWidth)) + 1e-6);

    /// <summary>Whether a question is read from the last row, in every language.</summary>
    public static bool IsRead(Texts question) => question.ByLanguage.Values.All(q => q.Split('\n').Sum(line => Math.Max(1, LinesOf(line))) <= QuestionLines);

    /// <summary>Whether the heading of a topic is: it stands in one line.</summary>
    public static bool IsHeadingRead(Texts heading) => heading.ByLanguage.Values.All(h => h.Length <= LettersInLine);

    /// <summary>The size of the type that is read from the last row where a page fills the screen, 1/100 mm on the page.</summary>
    public static double TypeOn(PageSize page) => TypeSize * Math.Max(page.Height, page.Width / Sides);

    private static int LinesOf(string line) => (line.Length + LettersInLine - 1) / LettersInLine;
}
