using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using QRCoder;
using Yardang.Data.School;
using Yardang.Web.Access;

namespace Yardang.Web.Pages;

/// <summary>Code, link and QR of a lesson, to be read from the back row.</summary>
[Authorize]
public sealed class LessonCodeModel(AccessResolver access) : PageModel
{
    private const int PixelsPerModule = 8;

    public LessonRecord Lesson { get; private set; } = null!;

    public string Host => Request.Host.ToString();

    public string Link => $"{Request.Scheme}://{Request.Host}/join/{Lesson.Code}";

    public string QrSvg { get; private set; } = "";

    public async Task<IActionResult> OnGetAsync(Guid id)
    {
        if (await access.OwnLessonAsync(Visitor.Of(HttpContext), id) is not { } lesson) return NotFound();
        Lesson = lesson;
        using var qr = QRCodeGenerator.GenerateQrCode(Link, QRCodeGenerator.ECCLevel.M);
        using var svg = new SvgQRCode(qr);
        QrSvg = svg.GetGraphic(PixelsPerModule, "#000000", "#ffffff", drawQuietZones: true, SvgQRCode.SizingMode.ViewBoxAttribute);
        return Page();
    }
}
