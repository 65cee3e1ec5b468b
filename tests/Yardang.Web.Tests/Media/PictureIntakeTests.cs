using SkiaSharp;
using Yardang.Rendering;

namespace Yardang.Web.Tests.Media;

/// <summary>Pictures are taken in whatever their files say, in bounded memory, and never as they came.</summary>
public sealed class PictureIntakeTests
{
    private const int Mutations = 5_000;

    // The smallest that can be: two pixels in two colours.
    private static readonly byte[] s_gif = [.. "GIF89a"u8, 2, 0, 1, 0, 0x80, 0, 0, 0, 0, 0, 0xff, 0xff, 0xff, 0x2c, 0, 0, 0, 0, 2, 0, 1, 0, 0, 2, 2, 0x44, 0x0a, 0, 0x3b];
    private static readonly byte[] s_bmp = [.. "BM"u8, 70, 0, 0, 0, 0, 0, 0, 0, 54, 0, 0, 0, 40, 0, 0, 0, 2, 0, 0, 0, 2, 0, 0, 0, 1, 0, 24, 0, 0, 0, 0, 0, 16, 0, 0, 0, .. new byte[16], 1, 2, 3, 4, 5, 6, 0, 0, 7, 8, 9, 1, 2, 3, 0, 0];

    public static TheoryData<string> Formats => ["png", "jpeg", "webp", "gif", "bmp"];

    [Theory]
    [MemberData(nameof(Formats))]
    public void No_damaged_picture_does_any_harm(string format)
    {
        var (whole, chance) = (Small(format), new Random(20261201));
        Assert.NotNull(PictureIntake.Take(whole).Picture);
        for (var n = 0; n < Mutations; n++)
        {
            var (picture, fault) = PictureIntake.Take(Damaged(whole, chance));
            Assert.True(picture is null != fault is null);
            if (picture is not null) Assert.InRange((long)picture.Width * picture.Height, 1, 12_000_000);
        }
    }

    [Theory]
    [InlineData("png", 6_000, 4_000)]
    [InlineData("jpeg", 6_000, 4_000)]
    [InlineData("webp", 6_000, 4_000)]
    [InlineData("png", 12_000, 2_000)]
    public void A_picture_of_more_pixels_than_are_held_is_read_smaller_and_shows_the_same(string format, int width, int height)
    {
        var (picture, _) = PictureIntake.Take(Quartered(format, width, height));
        Assert.InRange((long)picture!.Width * picture.Height, 1_000_000, 8_000_000);
        Assert.Equal((double)width / height, (double)picture.Width / picture.Height, tolerance: 0.02);
        using var back = SKBitmap.Decode(picture.Bytes);
        var colours = new[] { (0.25, 0.25), (0.75, 0.25), (0.25, 0.75), (0.75, 0.75) }.Select(p => back.GetPixel((int)(back.Width * p.Item1), (int)(back.Height * p.Item2))).ToArray();
        Assert.True(colours[0] is { Red: > 200, Green: < 60 } && colours[1] is { Green: > 110, Red: < 60 } && colours[2] is { Blue: > 200, Red: < 60 } && colours[3] is { Red: > 200, Green: > 200 }, string.Join(' ', colours));
    }

    [Fact]
    public void A_file_that_says_it_is_larger_than_can_be_read_in_parts_is_too_large()
    {
        byte[] bmp = [.. s_bmp[..18], 0x10, 0x27, 0, 0, 0xff, 0x7f, 0, 0, .. s_bmp[26..]];
        Assert.Equal(PictureFault.TooLarge, PictureIntake.Take(bmp).Fault);
        byte[] gif = [.. s_gif[..6], 0x10, 0x27, 0x10, 0x10, .. s_gif[10..24], 0x10, 0x27, 0x10, 0x10, .. s_gif[28..]];
        Assert.Null(PictureIntake.Take(gif).Picture);
    }

    private static byte[] Small(string format) => format switch { "gif" => s_gif, "bmp" => s_bmp, _ => Quartered(format, 64, 48) };

    private static byte[] Quartered(string format, int width, int height)
    {
        using var bitmap = new SKBitmap(width, height, SKColorType.Rgba8888, SKAlphaType.Opaque);
        using (var canvas = new SKCanvas(bitmap))
        {
            var (w, h) = (width / 2, height / 2);
            foreach (var (x, y, colour) in new[] { (0, 0, SKColors.Red), (w, 0, SKColors.Green), (0, h, SKColors.Blue), (w, h, SKColors.Yellow) })
            {
                using var paint = new SKPaint { Color = colour };
                canvas.DrawRect(x, y, w, h, paint);
            }
        }

        using var encoded = bitmap.Encode(format switch { "png" => SKEncodedImageFormat.Png, "jpeg" => SKEncodedImageFormat.Jpeg, _ => SKEncodedImageFormat.Webp }, 90);
        return encoded.ToArray();
    }

    private static byte[] Damaged(byte[] whole, Random chance)
    {
        var bytes = whole.ToArray();
        for (var times = chance.Next(1, 10); times > 0; times--)
        {
            // Where a file says what it is, most harm can be done.
            var at = chance.Next(chance.Next(3) == 0 ? bytes.Length : Math.Min(bytes.Length, 64));
            bytes[at] = chance.Next(4) switch { 0 => 0, 1 => 255, _ => (byte)chance.Next(256) };
        }

        return chance.Next(4) == 0 ? bytes[..chance.Next(1, bytes.Length)] : bytes;
    }
}
