using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;
using Microsoft.Extensions.Localization;
using Yardang.Core.Lessons;
using Yardang.Core.Media;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Rendering;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Operating;
using Yardang.Web.QuickStart;
using Yardang.Web.Shelf;
using Yardang.Web.Storage;

namespace Yardang.Web.Pages;

/// <summary>From the front door to a running board without an account: choose who shares a board, and there is the code.</summary>
[EnableRateLimiting(AccountLimit.Beginning)]
public sealed class QuickStartModel(UserManager<Teacher> teachers, SignInManager<Teacher> signIn, Handing handing, ActivityMaking making, RoomMedia media, Invitations invitations, TimeProvider clock, IStringLocalizer<UiTexts> texts) : PageModel
{
    /// <summary>How many hours it lives.</summary>
    public int Hours => (int)GuestTeacher.Lifetime.TotalHours;

    /// <summary>What was typed as a title.</summary>
    public string Called { get; private set; } = "";

    /// <summary>What was typed as a question.</summary>
    public string Question { get; private set; } = "";

    /// <summary>On which paper.</summary>
    public PaperKind Paper { get; private set; } = PaperKind.Plain;

    /// <summary>What was wrong with a picture.</summary>
    public string? Problem { get; private set; }

    // Where nobody makes an account of their own accord, nobody begins without one either.
    private bool IsLetIn => invitations.SignUp is SigningUp.Open || User.Identity?.IsAuthenticated == true;

    public IActionResult OnGet() => IsLetIn ? Page() : Challenge();

    public async Task<IActionResult> OnPostAsync(Way way, PaperKind paper, string? called, string? question, IFormFile? picture)
    {
        if (!IsLetIn) return Challenge();
        if (way is not (Way.OneEach or Way.AllTogether) || !new Paper(paper).IsValid) return BadRequest();
        (Paper, Called, Question) = (paper, Shortened(called?.ReplaceLineEndings(" "), QuickPage.TitleLength), Shortened(question, QuickPage.QuestionLength));
        TakenPicture? taken = null;
        if (picture is { Length: > 0 })
        {
            (taken, var fault) = picture.Length > PictureIntake.MaxBytes ? (null, PictureFault.TooLarge) : PictureIntake.Take(await BytesAsync(picture));
            if (fault is not null) Problem = texts[$"Picture.{fault}"];
            if (Problem is not null) return Page();
        }

        var teacher = await teachers.GetUserAsync(User);
        if (teacher is null)
        {
            teacher = await GuestTeacher.MakeAsync(teachers, texts["Quick.Teacher"], clock.GetUtcNow());
            await signIn.SignInAsync(teacher, isPersistent: true);
        }

        var language = ContentLanguage.Current;
        if (taken is not null && await media.FullOfAsync(teacher.Id, taken.Bytes) is { } full)
        {
            Problem = texts[$"Storage.Full.{full}"];
            return Page();
        }

        var shown = taken is null ? ((string, int, int)?)null : (MediaName.Of(taken.Bytes).Text, taken.Width, taken.Height);
        var activity = await making.CreateAsync(teacher.Id, QuickPage.Of(language, Called.Length > 0 ? Called : texts["Quick.Name"], paper, Question, shown));
        if (taken is not null) await media.KeepAsync(activity.DraftId, taken.Bytes, HttpContext.RequestAborted);
        var lesson = await handing.HandOutAsync(activity, new HandOutOrder("", Way: way), language);
        return Redirect($"/lesson/{lesson.Id}/code");
    }

    private async Task<byte[]> BytesAsync(IFormFile file)
    {
        using var bytes = new MemoryStream();
        await file.CopyToAsync(bytes, HttpContext.RequestAborted);
        return bytes.ToArray();
    }

    // Never through the middle of a letter.
    private static string Shortened(string? typed, int most)
    {
        var words = (typed ?? "").ReplaceLineEndings("\n").Trim();
        return words.Length <= most ? words : words[..(char.IsHighSurrogate(words[most - 1]) ? most - 1 : most)].TrimEnd();
    }
}
