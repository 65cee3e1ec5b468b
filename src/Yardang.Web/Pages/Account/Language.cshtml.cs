using System.Globalization;
using Microsoft.AspNetCore.Localization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Yardang.Web.Pages;

/// <summary>Sets the language of the interface for this browser. Without it, the browser's own languages decide.</summary>
public sealed class LanguageModel(TimeProvider clock) : PageModel
{
    /// <summary>The languages in which the interface is there. Each has a resource file.</summary>
    public static readonly string[] Offered = ["en", "es"];

    /// <summary>A language in its own words.</summary>
    public static string NameOf(string language)
    {
        try
        {
            var culture = CultureInfo.GetCultureInfo(language);
            return culture.TextInfo.ToTitleCase(culture.NativeName);
        }
        catch (CultureNotFoundException)
        {
            // A code from an archive that is none.
            return language;
        }
    }

    public IActionResult OnGet() => Redirect("/");

    public IActionResult OnPost(string? language, string? returnUrl)
    {
        if (Offered.Contains(language, StringComparer.Ordinal))
        {
            Response.Cookies.Append(CookieRequestCultureProvider.DefaultCookieName, CookieRequestCultureProvider.MakeCookieValue(new RequestCulture(language!)), new CookieOptions
            {
                HttpOnly = true,
                Secure = Request.IsHttps,
                SameSite = SameSiteMode.Lax,
                IsEssential = true,
                Expires = clock.GetUtcNow().AddYears(1),
            });
        }

        return LocalRedirect(Url.IsLocalUrl(returnUrl) ? returnUrl : "/");
    }
}
