using System.Collections.Immutable;
using Yardang.Core.Marks;
using Yardang.Core.Pages;

namespace Yardang.Core.Cupboard;

/// <summary>A ready page of zones and printed marks. Its texts have keys; what they say comes from the interface's texts.</summary>
/// <param name="Key">Its name in the program.</param>
/// <param name="Draw">Draws it.</param>
public sealed record Organizer(string Key, Action<OrganizerSheet> Draw)
{
    /// <summary>Its marks on a page of a size. Words in braces are places to fill in.</summary>
    /// <param name="size">Of the page.</param>
    /// <param name="language">Of the texts, BCP 47.</param>
    /// <param name="say">The text of a key.</param>
    public ImmutableArray<Mark> On(PageSize size, string language, Func<string, string> say)
    {
        var sheet = new OrganizerSheet(size, language, say);
        Draw(sheet);
        return sheet.Marks;
    }
}

/// <summary>The organizers of the cupboard. The numbers are places on a field of 1000 by 1000; the colours those of notes.</summary>
public static class Organizers
{
    private const int Yellow = 0;
    private const int Green = 1;
    private const int Blue = 2;
    private const int Rose = 3;
    private const int Lilac = 4;
    private const int Mint = 5;

    /// <summary>All of them, as they are offered.</summary>
    public static readonly ImmutableArray<Organizer> All =
    [
        new("venn2", s =>
        {
            Title(s);
            var r = Math.Min(430, 1_000 * s.Proportion / 3.2);
            var across = r * 0.62 / s.Proportion;
            s.Circle(500 - across, 560, r, "first", Blue);
            s.Circle(500 + across, 560, r, "second", Yellow);
            s.Words(420, 540, 160, "both", 550);
        }),
        new("venn3", s =>
        {
            Title(s);
            var r = Math.Min(290, 1_000 * s.Proportion / 3.4);
            var across = r * 0.6 / s.Proportion;
            s.Circle(500, 400, r, "first", Blue);
            s.Circle(500 - across, 400 + (r * 1.04), r, "second", Yellow);
            s.Circle(500 + across, 400 + (r * 1.04), r, "third", Rose);
        }),
        new("corners", s =>
        {
            s.Zone(0, 0, 490, 440, "agreeMuch", Green);
            s.Zone(510, 0, 490, 440, "agree", Mint);
            s.Words(100, 470, 800, "statement", 800, bold: true);
            s.Zone(0, 560, 490, 440, "disagree", Yellow);
            s.Zone(510, 560, 490, 440, "disagreeMuch", Rose);
        }),
        new("tchart", s =>
        {
            Title(s);
            s.Zone(0, 120, 490, 880, "first", Blue);
            s.Zone(510, 120, 490, 880, "second", Yellow);
        }),
        new("kwl", s =>
        {
            Title(s);
            s.Zone(0, 120, 325, 880, "know", Green);
            s.Zone(337, 120, 326, 880, "wonder", Yellow);
            s.Zone(675, 120, 325, 880, "learned", Blue);
        }),
        new("wordmap", s =>
        {
            s.Zone(0, 0, 490, 415, "meaning", Blue);
            s.Zone(510, 0, 490, 415, "features", Green);
            s.Oval(300, 425, 400, 150, "", 9);
            s.Words(320, 475, 360, "term", 800, bold: true);
            s.Zone(0, 585, 490, 415, "examples", Yellow);
            s.Zone(510, 585, 490, 415, "notExamples", Rose);
        }),
        new("timeline", s =>
        {
            Title(s);
            s.Arrow(0, 560, 1_000, 560);
            for (var i = 0; i < 5; i++)
            {
                var x = 100 + (i * 190);
                s.Line(x, 535, x, 585);
                s.Zone(x - 85, i % 2 == 0 ? 180 : 640, 170, 300, "", i % 2 == 0 ? Blue : Yellow);
            }

            s.Words(0, 600, 150, "from", 450);
            s.Words(850, 480, 150, "to", 450);
        }),
        new("sorting", s =>
        {
            Title(s);
            s.Zone(0, 120, 325, 660, "first", Blue);
            s.Zone(337, 120, 326, 660, "second", Yellow);
            s.Zone(675, 120, 325, 660, "neither", 10);
            for (var i = 0; i < 6; i++) s.Slip(85 + (i * 166), 880, $"thing{i + 1}", Mint);
        }),
        new("table", s =>
        {
            Title(s);
            for (var row = 0; row < 5; row++)
            {
                for (var column = 0; column < 4; column++)
                {
                    var name = row == 0 ? $"column{column + 1}" : "";
                    s.Zone(column * 250, row == 0 ? 120 : 250 + ((row - 1) * 187.5), 250, row == 0 ? 130 : 187.5, name, row == 0 ? Blue : 9);
                }
            }
        }),
        new("cycle", s =>
        {
            Title(s);
            s.Zone(350, 130, 300, 230, "step1", Blue);
            s.Zone(700, 450, 300, 230, "step2", Green);
            s.Zone(350, 770, 300, 230, "step3", Yellow);
            s.Zone(0, 450, 300, 230, "step4", Rose);
            s.Arrow(665, 250, 830, 435);
            s.Arrow(830, 695, 665, 880);
            s.Arrow(335, 880, 170, 695);
            s.Arrow(170, 435, 335, 250);
        }),
        new("causes", s =>
        {
            Title(s);
            for (var i = 0; i < 3; i++)
            {
                s.Zone(0, 130 + (i * 300), 360, 260, $"cause{i + 1}", Yellow);
                s.Arrow(375, 260 + (i * 300), 605, 560 + ((i - 1) * 60));
            }

            s.Zone(620, 350, 380, 420, "effect", Rose);
        }),
        new("fishbone", s =>
        {
            s.Arrow(20, 500, 780, 500);
            s.Zone(790, 390, 210, 220, "problem", Rose);
            for (var i = 0; i < 3; i++)
            {
                var x = 210 + (i * 250);
                s.Line(x - 110, 180, x, 500);
                s.Line(x - 110, 820, x, 500);
                s.Zone(x - 210, 40, 220, 140, $"kind{i + 1}", Blue);
                s.Zone(x - 210, 820, 220, 140, $"kind{i + 4}", Green);
            }
        }),
        new("pmi", s =>
        {
            Title(s);
            s.Zone(0, 120, 325, 880, "plus", Green);
            s.Zone(337, 120, 326, 880, "minus", Rose);
            s.Zone(675, 120, 325, 880, "interesting", Lilac);
        }),
        new("diamond", s =>
        {
            int[] inRow = [1, 2, 3, 2, 1];
            for (var row = 0; row < 5; row++)
            {
                for (var i = 0; i < inRow[row]; i++)
                {
                    var name = row switch { 0 => "most", 4 => "least", _ => "" };
                    s.Zone(500 - (inRow[row] * 140) + (i * 280) + 5, 60 + (row * 190), 270, 170, name, row);
                }
            }

            s.Words(0, 0, 340, "topic", 600, bold: true);
        }),
        new("oddone", s =>
        {
            Title(s);
            for (var i = 0; i < 4; i++) s.Zone(i * 253, 120, 241, 420, $"thing{i + 1}", i);
            s.Zone(0, 570, 1_000, 430, "oddBecause", 9);
        }),
        new("cartoon", s =>
        {
            s.Words(100, 0, 800, "question", 700, bold: true);
            for (var i = 0; i < 3; i++)
            {
                var x = 170 + (i * 330);
                s.Person(x, 700);
                s.Bubble(x - 150, 160 + (i % 2 * 60), 300, 300, x, 640, $"opinion{i + 1}", i);
            }

            s.Zone(0, 880, 1_000, 120, "iThink", 9);
        }),
        new("opinion", s =>
        {
            s.Words(100, 60, 800, "statement", 700, bold: true);
            s.Line(20, 500, 980, 500);
            for (var i = 0; i < 5; i++) s.Line(20 + (i * 240), 470, 20 + (i * 240), 530);
            s.Words(0, 550, 240, "notAtAll", 500);
            s.Words(760, 550, 240, "fully", 500);
            s.Zone(0, 700, 1_000, 300, "because", 9);
        }),
        new("report", s =>
        {
            Title(s);
            s.Zone(0, 120, 325, 500, "goingOn", Green);
            s.Zone(337, 120, 326, 500, "unsure", Yellow);
            s.Zone(675, 120, 325, 500, "stuck", Rose);
            s.Zone(0, 650, 1_000, 350, "nextStep", 9);
        }),
        new("ticket", s =>
        {
            Title(s);
            s.Zone(0, 120, 1_000, 270, "learnedToday", Green);
            s.Zone(0, 420, 1_000, 270, "stillAsk", Yellow);
            s.Zone(0, 720, 1_000, 280, "tryNext", Blue);
        }),
        new("stages", s =>
        {
            Title(s);
            for (var i = 0; i < 4; i++)
            {
                var x = i * 255;
                s.ZoneOf($"step{i + 1}", i, x, 250, x + 190, 250, x + 235, 520, x + 190, 790, x, 790, x + 45, 520);
            }

            s.Words(0, 850, 1_000, "whereAmI", 500);
        }),
        new("about", s =>
        {
            s.Circle(500, 500, 190, "", Yellow);
            s.Words(400, 470, 200, "me", 700, bold: true);
            s.Zone(0, 0, 360, 320, "goodAt", Green);
            s.Zone(640, 0, 360, 320, "likeToLearn", Blue);
            s.Zone(0, 680, 360, 320, "helpsMe", Lilac);
            s.Zone(640, 680, 360, 320, "languages", Rose);
        }),
    ];

    /// <summary>The organizer with a key that is known to exist.</summary>
    public static Organizer Find(string key) => All.Single(o => string.Equals(o.Key, key, StringComparison.Ordinal));

    private static void Title(OrganizerSheet sheet) => sheet.Words(50, 10, 900, "topic", 800, bold: true);
}
