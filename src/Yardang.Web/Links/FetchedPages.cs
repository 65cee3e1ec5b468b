using System.Net;
using System.Text;
using AngleSharp.Html.Dom;
using AngleSharp.Html.Parser;
using Yardang.Core.Attachments;

namespace Yardang.Web.Links;

/// <summary>Looks pages up where they are: for schools that wish it (<c>Yardang:Links:Fetch</c>). Only what a page says of itself is read, and the picture that it says is of it; nothing else that it leads to.</summary>
public sealed class FetchedPages : ILinkPreviews, IDisposable
{
    private const int MostBytes = 256 * 1024;
    private const int MostPictureBytes = 2 * 1024 * 1024;
    private const int MostRedirects = 3;
    private const int MostAtOnce = 4;
    private static readonly TimeSpan s_patience = TimeSpan.FromSeconds(5);

    private readonly HttpClient _http;
    private readonly SemaphoreSlim _atOnce = new(MostAtOnce, MostAtOnce);

    /// <summary>Asks by these connections.</summary>
    public FetchedPages(OutwardConnections connections)
    {
        _http = new(new SocketsHttpHandler
        {
            AllowAutoRedirect = false,
            UseCookies = false,
            UseProxy = false,
            AutomaticDecompression = DecompressionMethods.None,
            MaxResponseHeadersLength = 16,
            ConnectCallback = connections.ConnectAsync,
            PooledConnectionLifetime = TimeSpan.Zero,
        })
        { Timeout = Timeout.InfiniteTimeSpan };
        _http.DefaultRequestHeaders.Add("User-Agent", "Yardang (what links are called)");
        _http.DefaultRequestHeaders.Add("Accept", "text/html");
    }

    /// <inheritdoc/>
    public async Task<LinkPreview?> OfAsync(Uri address, CancellationToken stop)
    {
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(stop);
        patience.CancelAfter(s_patience);
        try
        {
            await _atOnce.WaitAsync(patience.Token);
        }
        catch (OperationCanceledException) when (!stop.IsCancellationRequested)
        {
            return null;
        }

        try
        {
            return await ReadAsync(address, patience.Token);
        }
        catch (Exception e) when (e is HttpRequestException or IOException || (e is OperationCanceledException && !stop.IsCancellationRequested))
        {
            return null;
        }
        finally
        {
            _atOnce.Release();
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        _http.Dispose();
        _atOnce.Dispose();
    }

    private async Task<LinkPreview?> ReadAsync(Uri address, CancellationToken stop)
    {
        if (await FetchAsync(address, "text/html", MostBytes, stop) is not var (page, at)) return null;
        using var beginning = new MemoryStream(page);
        using var read = new HtmlParser().ParseDocument(beginning);
        var title = Meta(read, "og:title") is { Length: > 0 } said ? said : Clean(read.Title);
        var site = Meta(read, "og:site_name");
        var picture = await PictureAsync(Meta(read, "og:image"), at, stop);
        return title.Length == 0 && site.Length == 0 && picture is null ? null : new(title, site, picture);
    }

    // Whatever becomes of it, what the page is called is known.
    private async Task<byte[]?> PictureAsync(string address, Uri page, CancellationToken stop)
    {
        if (address.Length == 0 || !Uri.TryCreate(page, address, out var whole) || LinkAttachment.Read(whole.AbsoluteUri) is not { } read) return null;
        try
        {
            return await FetchAsync(read, "image/", MostPictureBytes, stop) is var (file, _) && file.Length < MostPictureBytes ? file : null;
        }
        catch (Exception e) when (e is HttpRequestException or IOException or OperationCanceledException)
        {
            return null;
        }
    }

    // Each place to which one is sent is looked at as the first was.
    private async Task<(byte[] Content, Uri At)?> FetchAsync(Uri address, string kind, int most, CancellationToken stop)
    {
        for (var redirects = 0; ; redirects++)
        {
            using var answer = await _http.GetAsync(address, HttpCompletionOption.ResponseHeadersRead, stop);
            if (answer.StatusCode is HttpStatusCode.MovedPermanently or HttpStatusCode.Found or HttpStatusCode.SeeOther or HttpStatusCode.TemporaryRedirect or HttpStatusCode.PermanentRedirect)
            {
                if (redirects == MostRedirects || answer.Headers.Location is not { } to || LinkAttachment.Read(new Uri(address, to).AbsoluteUri) is not { } next) return null;
                address = next;
                continue;
            }

            var isIt = answer.Content.Headers.ContentType?.MediaType?.StartsWith(kind, StringComparison.OrdinalIgnoreCase) == true;
            return answer.IsSuccessStatusCode && isIt ? (await BeginningAsync(answer.Content, most, stop), address) : null;
        }
    }

    // Of a page it is enough: what it is called stands there.
    private static async Task<byte[]> BeginningAsync(HttpContent content, int most, CancellationToken stop)
    {
        var bytes = new byte[most];
        await using var body = await content.ReadAsStreamAsync(stop);
        var length = await body.ReadAtLeastAsync(bytes, bytes.Length, throwOnEndOfStream: false, stop);
        return bytes[..length];
    }

    private static string Meta(IHtmlDocument page, string property) => Clean(page.QuerySelector($"meta[property='{property}']")?.GetAttribute("content"));

    // In one line, without what is not seen.
    private static string Clean(string? words)
    {
        var clean = new StringBuilder();
        foreach (var rune in (words ?? "").EnumerateRunes())
        {
            if (Rune.IsWhiteSpace(rune))
            {
                if (clean.Length > 0 && clean[^1] != ' ') clean.Append(' ');
            }
            else if (!Rune.IsControl(rune) && Rune.GetUnicodeCategory(rune) != System.Globalization.UnicodeCategory.Format)
            {
                clean.Append(rune);
            }
        }

        return clean.ToString().TrimEnd();
    }
}
