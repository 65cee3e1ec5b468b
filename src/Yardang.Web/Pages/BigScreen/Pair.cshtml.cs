using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Yardang.Web.Access;
using Yardang.Web.BigScreen;

namespace Yardang.Web.Pages;

/// <summary>Another device becomes the big screen of a lesson: its short code is typed here.</summary>
public sealed class PairModel(Pairing pairing, ScreenKeys keys, JoinThrottle throttle) : PageModel
{
    public string? Typed { get; private set; }

    public bool IsWrong { get; private set; }

    public void OnGet()
    {
    }

    public async Task<IActionResult> OnPostAsync(string? code)
    {
        if (!await throttle.EnterAsync(HttpContext)) return StatusCode(StatusCodes.Status429TooManyRequests);
        if (pairing.Find(code) is { } lesson)
        {
            throttle.WasRight(HttpContext);
            return Redirect($"/screen/{keys.Of(lesson)}");
        }

        (Typed, IsWrong) = (code, true);
        return Page();
    }
}
