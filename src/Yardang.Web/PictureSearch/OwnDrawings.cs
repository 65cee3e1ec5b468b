using System.Globalization;
using Microsoft.Extensions.Localization;
using Yardang.Core.Cupboard;
using Yardang.Rendering;

namespace Yardang.Web.PictureSearch;

/// <summary>The stand-in for an outside search: finds the program's own drawings.</summary>
public sealed class OwnDrawings(IStringLocalizer<UiTexts> texts) : IPictureSearch
{
    public Task<IReadOnlyList<FoundPicture>> SearchAsync(string words, CancellationToken stop) => Task.FromResult<IReadOnlyList<FoundPicture>>(
        [.. Drawings.Search(words, ContentLanguage.Current).Select(d => new FoundPicture(d.Key.ToString(CultureInfo.InvariantCulture), Drawings.NameIn(d, ContentLanguage.Current), texts["PictureSearch.OwnCredit"]))]);

    public Task<byte[]?> FetchAsync(string id, int pixels, CancellationToken stop) => Task.FromResult(
        int.TryParse(id, CultureInfo.InvariantCulture, out var key) && key >= 1 && key <= Drawings.All.Length ? DrawingExport.Png(Drawings.All[key - 1], pixels) : null);
}
