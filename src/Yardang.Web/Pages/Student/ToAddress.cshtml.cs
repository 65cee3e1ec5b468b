using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Yardang.Web.Access;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>A lesson's address of the teacher's own choice leads to its door.</summary>
public sealed class ToAddressModel(Joining joining, JoinThrottle throttle) : PageModel
{
    public async Task<IActionResult> OnGetAsync(string address)
    {
        if (await throttle.EnterAsync(HttpContext) && await joining.FindByAddressAsync(address) is { } lesson)
        {
            throttle.WasRight(HttpContext);
            return Redirect($"/join/{lesson.Code}");
        }

        return RedirectToPage("/Student/Index", new { nowhere = true });
    }
}
