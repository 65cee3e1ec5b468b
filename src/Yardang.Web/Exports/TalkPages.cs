using Microsoft.Extensions.Localization;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Judges;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Threads;
using Yardang.Data.Media;
using Yardang.Rendering;

namespace Yardang.Web.Exports;

/// <summary>What was said to the marks of a board, and chosen among them, on pages behind the board.</summary>
public sealed class TalkPages(MediaStore media, Leads leads, IStringLocalizer<UiTexts> texts)
{
    /// <summary>The pages; none where nothing was said.</summary>
    /// <param name="board">The board.</param>
    /// <param name="room">Of the board.</param>
    /// <param name="names">What people are called, by actor number.</param>
    /// <param name="language">In which the teacher's words are wanted; null for that in which they were written.</param>
    /// <param name="written">In which the teacher wrote.</param>
    /// <param name="foot">Below each page.</param>
    /// <param name="knowsAll">Whether the reader knows what everybody chose so far, not only what was shown.</param>
    public IReadOnlyList<ExportPage> Of(Board board, Guid room, IReadOnlyDictionary<int, string> names, string? language, string written, string foot, bool knowsAll = true)
    {
        var results = ResultsOf(board, knowsAll);
        List<WallBand> bands = [];
        foreach (var (page, at) in board.Sheets.Pages.Select((p, i) => (p, i + 1)))
        {
            var where = texts["Talk.OnPage", at].Value;
            foreach (var mark in board.Sheets.Visible(page.Id).Where(m => m.Grip != Grip.Key))
            {
                if (BandOf(TitleOf(mark, language, written), where, board.Talk.About(mark.Id), results.GetValueOrDefault(mark.Id), names) is { } band) bands.Add(band);
            }
        }

        foreach (var gone in board.Talk.All.Where(t => !IsThere(board.Sheets, t.Mark)))
        {
            if (BandOf(texts["Talk.Gone"], "", gone.Answers, null, names) is { } band) bands.Add(band);
        }

        return bands.Count == 0 ? [] : WallPages.On(PageSize.A4Wide, new WallSheet(texts["Talk.All"], bands, [], foot, media.Find, Leads: leads.In(room)));
    }

    private static bool IsThere(Sheets sheets, long mark) => sheets.Marks.TryGetValue(mark, out var found) && found.Stands && sheets.FindPage(found.Page) is { Erased: false };

    // As it was shown, and for its teacher as it is.
    private static Dictionary<long, CardResult> ResultsOf(Board board, bool knowsAll)
    {
        var judgements = board.Choice.Judgements;
        return (judgements.IsShown || !knowsAll ? judgements.Results.Where(r => r.Round == judgements.Round) : judgements.ResultsOf(board.Sheets.Marks.Keys)).ToDictionary(r => r.Card);
    }

    private WallBand? BandOf(string title, string where, IEnumerable<Answer> answers, CardResult? result, IReadOnlyDictionary<int, string> names)
    {
        var said = answers.Where(a => a.IsUp).OrderBy(a => a.SaidAt).ThenBy(a => a.Id).ToList();
        if (said.Count == 0 && result is null) return null;
        string By(Answer a) => a.ByStaff ? texts["Wall.Teacher"] : names.GetValueOrDefault(a.Author, "");
        var slips = said.Select(a => new WallSlip(AnswerWords.Of(a, texts), said.Find(b => b.Id == a.To) is { } to ? $"{By(a)} · {texts["Wall.AnswerTo", By(to)].Value}" : By(a), a.Shown is { } shown ? [shown] : null));
        return new(title, string.Join('\n', new[] { where, Chosen(result) }.Where(w => w.Length > 0)), 0, [.. slips]);
    }

    private string Chosen(CardResult? result) => result is null ? ""
        : result.Counts.Length == 3 ? texts["Wall.Said", result.Counts[0], result.Counts[1], result.Counts[2]]
        : result.Counts[0] == 1 ? texts["Wall.ChosenByOne"] : texts["Wall.ChosenBy", result.Counts[0]];

    private string TitleOf(Mark mark, string? language, string written)
    {
        var first = (Languages.ReadIn(mark, language, written).Words?.Text ?? "").Split('\n')[0].Trim();
        var kind = mark.Body.KindName();
        return first.Length > 0 ? first : texts[$"Marks.{char.ToUpperInvariant(kind[0])}{kind[1..]}"];
    }
}
