using System.Globalization;
using Microsoft.Extensions.Localization;
using Yardang.Core.Attachments;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Visibility;
using Yardang.Data.Media;
using Yardang.Rendering;

namespace Yardang.Web.Exports;

/// <summary>What is heard, seen or opened on the pages of a board, once more behind them: each with the code that leads to it.</summary>
public sealed class RecordedPages(MediaStore media, Leads leads, IStringLocalizer<UiTexts> texts)
{
    /// <summary>The pages; none where nothing was recorded or sent.</summary>
    /// <param name="sheets">The pages of the board.</param>
    /// <param name="room">Of the board.</param>
    /// <param name="names">What people are called, by actor number.</param>
    /// <param name="foot">Below each page.</param>
    public IReadOnlyList<ExportPage> Of(Sheets sheets, Guid room, IReadOnlyDictionary<int, string> names, string foot)
    {
        var bands = sheets.Pages.Select((page, at) => new WallBand(texts["Talk.OnPage", (at + 1).ToString(CultureInfo.CurrentCulture)], "", 0, [.. sheets.Visible(page.Id).Where(Sight.OnPaper).Select(mark => SlipOf(mark, names)).OfType<WallSlip>()]))
            .Where(band => band.Slips.Count > 0).ToList();
        return bands.Count == 0 ? [] : WallPages.On(PageSize.A4Wide, new WallSheet(texts["Recorded.OnPaper"], bands, [], foot, media.Find, Leads: leads.In(room)));
    }

    private WallSlip? SlipOf(Mark mark, IReadOnlyDictionary<int, string> names) => mark.Body is ShownBody { Shown: VoiceAttachment or FilmAttachment or FileAttachment } body
        ? new(ShownWords.Of(body.Shown, texts), mark.ByStaff ? texts["Wall.Teacher"] : names.GetValueOrDefault(mark.Author, ""), [body.Shown])
        : null;
}
