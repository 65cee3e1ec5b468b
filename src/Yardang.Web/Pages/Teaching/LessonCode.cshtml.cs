using System.Text.Encodings.Web;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using QRCoder;
using Yardang.Core.Lessons;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>Code, link and QR of a lesson, to be read from the back row.</summary>
[Authorize]
public sealed class LessonCodeModel(AccessResolver access, Joining joining, IStringLocalizer<UiTexts> texts) : PageModel
{
    private const int PixelsPerModule = 8;

    public LessonRecord Lesson { get; private set; } = null!;

    public string Host => Request.Host.ToString();

    public string Link => $"{Request.Scheme}://{Request.Host}/join/{Lesson.Code}";

    public string QrSvg { get; private set; } = "";

    /// <summary>The address of the teacher's own choice, as it is typed; null for none.</summary>
    public string? OwnAddress => Lesson.Address is { } address ? $"{Request.Host}/to/{address}" : null;

    /// <summary>What to put on another page, so that the common board is shown there; null if it is not.</summary>
    public string? EmbedCode => Lesson.EmbedKey is { } key ? $"<iframe src=\"{Request.Scheme}://{Request.Host}/embed/{key}\" title=\"{HtmlEncoder.Default.Encode(Lesson.Name)}\" width=\"900\" height=\"640\"></iframe>" : null;

    /// <summary>What was typed as an address and could not be kept.</summary>
    public string? Typed { get; private set; }

    public string? Problem { get; private set; }

    public async Task<IActionResult> OnGetAsync(Guid id)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), id, Power.Watches) is not { } lesson) return NotFound();
        Show(lesson);
        return Page();
    }

    public async Task<IActionResult> OnPostAsync(Guid id, string? address)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } lesson) return NotFound();
        var read = LessonAddress.Read(address);
        if (read is null && !string.IsNullOrWhiteSpace(address)) Problem = texts["Code.NoAddress", LessonAddress.Shortest, LessonAddress.Longest];
        else if (!await joining.SetAddressAsync(lesson, read)) Problem = texts["Code.AddressTaken", read!];
        else return Redirect($"/lesson/{id}/code");
        Typed = address;
        Show(lesson);
        return Page();
    }

    public async Task<IActionResult> OnPostEmbedAsync(Guid id, bool shown)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } lesson) return NotFound();
        await joining.ShowElsewhereAsync(lesson, shown);
        return Redirect($"/lesson/{id}/code");
    }

    private void Show(LessonRecord lesson)
    {
        Lesson = lesson;
        using var qr = QRCodeGenerator.GenerateQrCode(Link, QRCodeGenerator.ECCLevel.M);
        using var svg = new SvgQRCode(qr);
        QrSvg = svg.GetGraphic(PixelsPerModule, "#000000", "#ffffff", drawQuietZones: true, SvgQRCode.SizingMode.ViewBoxAttribute);
    }
}
