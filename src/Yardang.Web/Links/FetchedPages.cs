using System.Net;
using System.Text;
using AngleSharp.Html.Dom;
using AngleSharp.Html.Parser;
using Yardang.Core.Attachments;

namespace Yardang.Web.Links;

/// <summary>Looks pages up where they are: for schools that wish it (<c>Yardang:Links:Fetch</c>). Only what a page says of itself is read, and nothing that it leads to.</summary>
public sealed class FetchedPages : ILinkPreviews, IDisposable
{
    private const int MostBytes = 256 * 1024;
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

    // Each place to which one is sent is looked at as the first was.
    private async Task<LinkPreview?> ReadAsync(Uri address, CancellationToken stop)
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

            var isPage = string.Equals(answer.Content.Headers.ContentType?.MediaType, "text/html", StringComparison.OrdinalIgnoreCase);
            return answer.IsSuccessStatusCode && isPage ? await SaysAsync(answer.Content, stop) : null;
        }
    }

    // The beginning of a page is enough: what it is called stands there.
    private static async Task<LinkPreview?> SaysAsync(HttpContent content, CancellationToken stop)
    {
        var bytes = new byte[MostBytes];
        await using var body = await content.ReadAsStreamAsync(stop);
        var length = await body.ReadAtLeastAsync(bytes, bytes.Length, throwOnEndOfStream: false, stop);
        using var beginning = new MemoryStream(bytes, 0, length);
        using var page = new HtmlParser().ParseDocument(beginning);
        var title = Meta(page, "og:title") is { Length: > 0 } said ? said : Clean(page.Title);
        var site = Meta(page, "og:site_name");
        return title.Length == 0 && site.Length == 0 ? null : new(title, site);
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
