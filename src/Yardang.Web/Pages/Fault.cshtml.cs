using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;

namespace Yardang.Web.Pages;

/// <summary>What could not be done, in words. A page that is not there and one that somebody may not see look the same.</summary>
[IgnoreAntiforgeryToken]
[ResponseCache(Duration = 0, Location = ResponseCacheLocation.None, NoStore = true)]
public sealed class FaultModel(IStringLocalizer<UiTexts> texts) : PageModel
{
    public string Heading { get; private set; } = "";

    public string Text { get; private set; } = "";

    public void OnGet(int status) => Show(status);

    /// <summary>What was posted is run again as this page.</summary>
    public void OnPost(int status) => Show(status);

    private void Show(int status)
    {
        var known = texts[$"Fault.{status}.Heading"];
        (Heading, Text) = known.ResourceNotFound ? (texts["NotFound.Heading"], texts["NotFound.Text"]) : (known, texts[$"Fault.{status}.Text"]);
    }
}
