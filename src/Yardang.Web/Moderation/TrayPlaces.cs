using Microsoft.Extensions.Localization;
using Yardang.Core.Boards;
using Yardang.Core.Walls;

namespace Yardang.Web.Moderation;

/// <summary>Where something stands, in words.</summary>
internal static class TrayPlaces
{
    /// <summary>A topic by its heading; empty for nowhere in particular.</summary>
    public static string Under(Wall wall, long topic) => wall.Plan.Topics.FirstOrDefault(t => t.Id == topic)?.Heading.For(ContentLanguage.Current) ?? "";

    /// <summary>A page by its name, or its number; empty for one that is not there.</summary>
    public static string OnPage(Board board, long page, IStringLocalizer<UiTexts> texts)
    {
        var pages = board.Sheets.Pages.ToList();
        var at = pages.FindIndex(p => p.Id == page);
        return at < 0 ? "" : pages[at].Name.For(ContentLanguage.Current) is { Length: > 0 } named ? named : texts["Contents.Page", at + 1].Value;
    }
}
