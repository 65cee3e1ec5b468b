using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using QRCoder;
using Yardang.Web.Access;

namespace Yardang.Web.Pages;

/// <summary>The window for the projector: for whoever has its key. It says nothing of anybody.</summary>
public sealed class ScreenModel(AccessResolver access) : PageModel
{
    private const int PixelsPerModule = 8;

    public string Key { get; private set; } = "";

    public string Host => Request.Host.ToString();

    public string Code { get; private set; } = "";

    /// <summary>The address of the teacher's own choice; null for none.</summary>
    public string? OwnAddress { get; private set; }

    public string QrSvg { get; private set; } = "";

    public object Data { get; private set; } = new();

    public async Task<IActionResult> OnGetAsync(string key)
    {
        if (await access.BigScreenAsync(key) is not { } lesson) return NotFound();
        (Key, Code) = (key, lesson.Code.Shown);
        OwnAddress = lesson.Address is { } address ? $"{Request.Host}/to/{address}" : null;
        using var qr = QRCodeGenerator.GenerateQrCode($"{Request.Scheme}://{Request.Host}/join/{lesson.Code}", QRCodeGenerator.ECCLevel.M);
        using var svg = new SvgQRCode(qr);
        QrSvg = svg.GetGraphic(PixelsPerModule, "#000000", "#ffffff", drawQuietZones: true, SvgQRCode.SizingMode.ViewBoxAttribute);
        Data = new { key };
        return Page();
    }
}
