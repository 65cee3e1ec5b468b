using QRCoder;

namespace Yardang.Web.Exports;

/// <summary>QR codes as squares.</summary>
internal static class QrSquares
{
    /// <summary>Row by row, dark squares true; with the quiet zone.</summary>
    public static IReadOnlyList<IReadOnlyList<bool>> Of(string link)
    {
        using var qr = QRCodeGenerator.GenerateQrCode(link, QRCodeGenerator.ECCLevel.M);
        return [.. qr.ModuleMatrix.Select(row => row.Cast<bool>().ToArray())];
    }
}
