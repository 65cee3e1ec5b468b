using System.Globalization;
using SkiaSharp;
using Yardang.Rendering;

namespace Yardang.Bench;

/// <summary>Damaged pictures, one after another: how much memory each format takes at the most, over what there was before.</summary>
public static class DamagedPictures
{
    private const int Files = 5_000;
    private const double LimitMb = 64;

    public static void Run()
    {
        foreach (var format in new[] { SKEncodedImageFormat.Png, SKEncodedImageFormat.Jpeg, SKEncodedImageFormat.Webp })
        {
            var (whole, chance) = (Picture(format, 640, 480), new Random(20261201));
            Verdict.Say($"{Files} damaged pictures ({format}), most memory", MostOf(() =>
            {
                for (var n = 0; n < Files; n++) PictureIntake.Take(Damaged(whole, chance));
            }), LimitMb, "MB");
            var large = Picture(format, 8_000, 6_000);
            Verdict.Say($"a picture of 48 million pixels ({format}), most memory", MostOf(() => PictureIntake.Take(large)), LimitMb, "MB");
        }
    }

    private static double MostOf(Action take)
    {
        GC.Collect();
        GC.WaitForPendingFinalizers();

        // The high-water mark begins anew (proc(5), clear_refs).
        File.WriteAllText("/proc/self/clear_refs", "5");
        var before = Status("VmRSS");
        take();
        return (Status("VmHWM") - before) / 1_024.0;
    }

    private static long Status(string name) => long.Parse(File.ReadLines("/proc/self/status").First(l => l.StartsWith(name, StringComparison.Ordinal)).Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)[1], CultureInfo.InvariantCulture);

    private static byte[] Picture(SKEncodedImageFormat format, int width, int height)
    {
        using var bitmap = new SKBitmap(width, height, SKColorType.Rgba8888, SKAlphaType.Opaque);
        using (var canvas = new SKCanvas(bitmap))
        using (var paint = new SKPaint())
        {
            for (var i = 0; i < 64; i++)
            {
                paint.Color = new SKColor((uint)(i * 2_654_435_761L) | 0xff000000);
                canvas.DrawRect(i % 8 * width / 8f, i / 8 * height / 8f, width / 8f, height / 8f, paint);
            }
        }

        using var encoded = bitmap.Encode(format, 90);
        return encoded.ToArray();
    }

    private static byte[] Damaged(byte[] whole, Random chance)
    {
        var bytes = whole.ToArray();
        for (var times = chance.Next(1, 10); times > 0; times--) bytes[chance.Next(chance.Next(3) == 0 ? bytes.Length : Math.Min(bytes.Length, 64))] = (byte)chance.Next(256);
        return chance.Next(4) == 0 ? bytes[..chance.Next(1, bytes.Length)] : bytes;
    }
}
