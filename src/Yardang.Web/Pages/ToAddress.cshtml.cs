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
        if (!throttle.MustWait(HttpContext) && await joining.FindByAddressAsync(address) is { } lesson) return Redirect($"/join/{lesson.Code}");
        throttle.Failed(HttpContext);
        return RedirectToPage("/Index", new { nowhere = true });
    }
}
