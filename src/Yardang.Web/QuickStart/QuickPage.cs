using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Styles;
using Yardang.Rendering;

namespace Yardang.Web.QuickStart;

/// <summary>The one page that is begun with at once: a question over it, and a picture, printed; below or beside them students work.</summary>
public static class QuickPage
{
    /// <summary>The longest title, in characters.</summary>
    public const int TitleLength = 80;

    /// <summary>The longest question, in characters.</summary>
    public const int QuestionLength = 300;

    private const int Margin = 1_500;
    private static readonly int[] s_sizes = [800, 600, 450];
    private const double QuestionShare = 0.4;
    private const double LineHeight = 1.25;
    private const int Gap = 800;
    private const int PixelSize = 26;

    /// <summary>The activity.</summary>
    /// <param name="language">In which language the teacher writes.</param>
    /// <param name="title">What it is called.</param>
    /// <param name="paper">On which paper.</param>
    /// <param name="question">What stands over the page; empty for nothing.</param>
    /// <param name="picture">What stands below it, by its name in the media store, with its pixels; null for none.</param>
    public static ActivityContent Of(string language, string title, PaperKind paper, string question, (string Media, int Width, int Height)? picture)
    {
        var blank = ActivityContent.Blank(language, title);
        var page = blank.Pages[0] with { Paper = new Paper(paper) };
        var (width, height) = (page.Size.Width - (2 * Margin), page.Size.Height - (2 * Margin));
        var marks = ImmutableArray.CreateBuilder<Mark>();
        var top = Margin;
        if (question.Length > 0)
        {
            var words = Fitting(question, language, width, (int)(height * QuestionShare));
            var high = HeightOf(words);
            Print(new TextBody(Margin, top, width, high, words));
            top += high + Gap;
        }

        if (picture is { } shown)
        {
            // As large as it is, but no more than half of the page: the other half is to write on.
            var scale = Math.Min(PixelSize, Math.Min(width / 2.0 / shown.Width, (height + Margin - top) / (double)shown.Height));
            Print(new PictureBody(Margin, top, Math.Max(1, (int)(shown.Width * scale)), Math.Max(1, (int)(shown.Height * scale)), shown.Media, question));
        }

        return blank with { Pages = [page], Marks = marks.ToImmutable() };

        void Print(MarkBody body) => marks.Add(new(marks.Count + 2, page.Id, 1, ByStaff: true, Grip.Printed, marks.Count + 2, body, default, Place.AsDrawn, [], Erased: false));
    }

    // As large as there is room for; a question of very many lines goes on in one.
    private static Words Fitting(string question, string language, int width, int high)
    {
        foreach (var size in s_sizes)
        {
            var words = Broken(question, size);
            if (HeightOf(words) <= high) return words;
        }

        return Broken(question.ReplaceLineEndings(" "), s_sizes[^1]);

        Words Broken(string text, int size) => new(text, language, TextFit.Lines(text, width, size), size);
    }

    private static int HeightOf(Words words) => (int)(words.Lines.Length * LineHeight * words.Size);
}
