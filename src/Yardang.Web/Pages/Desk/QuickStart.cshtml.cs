using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;
using Microsoft.Extensions.Localization;
using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Pages;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.QuickStart;
using Yardang.Web.Shelf;

namespace Yardang.Web.Pages;

/// <summary>From the front door to a running board without an account: choose who shares a board, and there is the code.</summary>
[EnableRateLimiting(AccountLimit.Beginning)]
public sealed class QuickStartModel(UserManager<Teacher> teachers, SignInManager<Teacher> signIn, Handing handing, ActivityMaking making, TimeProvider clock, IStringLocalizer<UiTexts> texts) : PageModel
{
    /// <summary>How many hours it lives.</summary>
    public int Hours => (int)GuestTeacher.Lifetime.TotalHours;

    public async Task<IActionResult> OnPostAsync(Way way, PaperKind paper)
    {
        if (way is not (Way.OneEach or Way.AllTogether) || !new Paper(paper).IsValid) return BadRequest();
        var teacher = await teachers.GetUserAsync(User);
        if (teacher is null)
        {
            teacher = await GuestTeacher.MakeAsync(teachers, texts["Quick.Teacher"], clock.GetUtcNow());
            await signIn.SignInAsync(teacher, isPersistent: true);
        }

        var language = ContentLanguage.Current;
        var blank = ActivityContent.Blank(language, texts["Quick.Name"]);
        var activity = await making.CreateAsync(teacher.Id, blank with { Pages = [blank.Pages[0] with { Paper = new Paper(paper) }] });
        var lesson = await handing.HandOutAsync(activity, new HandOutOrder("", Way: way), language);
        return Redirect($"/lesson/{lesson.Id}/code");
    }
}
