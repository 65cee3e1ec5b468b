using SkiaSharp;
using Yardang.Core.Rooms;
using Yardang.Rendering;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests.Lessons;

/// <summary>What tests do on walls, and read of their prints.</summary>
internal static class OnWalls
{
    public static Task DoAsync(RoomHost host, Actor actor, params Command[] commands) => DoAsync(host, actor, [.. commands.Select(c => (Func<long, Command>)(_ => c))]);

    // Each command is given an id of its client's.
    public static async Task DoAsync(RoomHost host, Actor actor, params Func<long, Command>[] commands)
    {
        var stop = TestContext.Current.CancellationToken;
        var client = ((ClientAdmitted)(await host.SubmitAsync(new AdmitClient(), actor, stop)).Envelope!.Event).Number;
        for (var i = 0; i < commands.Length; i++) Assert.NotNull((await host.SubmitAsync(new Submission(client, i + 1, i, 0, commands[i](Ids.Of(client, i + 1))), actor, stop)).Envelope);
    }

    // What a student is sent of a room; their page says who they are.
    public static async Task<string> SnapshotAsync(HttpClient browser, Guid room, string page)
    {
        using var answer = await browser.GetAsync($"/rooms/{room}/snapshot?{page.Split('?')[1]}", TestContext.Current.CancellationToken);
        await using var gzip = new System.IO.Compression.GZipStream(await answer.Content.ReadAsStreamAsync(TestContext.Current.CancellationToken), System.IO.Compression.CompressionMode.Decompress);
        using var all = new MemoryStream();
        await gzip.CopyToAsync(all, TestContext.Current.CancellationToken);
        return System.Text.Encoding.Latin1.GetString(all.ToArray());
    }

    // What is written in a drawing, a line to a line.
    public static string Words(string svg) => string.Join('\n', svg.Split('>').Select(part => part.Split('<')[0]).Where(part => part.Trim().Length > 0));

    public static byte[] Png()
    {
        using var bitmap = new SKBitmap(60, 40);
        bitmap.Erase(SKColors.Red);
        using var image = SKImage.FromBitmap(bitmap);
        using var png = image.Encode(SKEncodedImageFormat.Png, 100);
        return PictureIntake.Take(png.ToArray()).Picture!.Bytes;
    }
}
