using Microsoft.Net.Http.Headers;

namespace Yardang.Web;

/// <summary>The languages that somebody reads, before their page can choose: those of the browser, the best first.</summary>
public static class ReaderLanguages
{
    /// <summary>Of whoever asks, as two-letter codes; empty if the browser says nothing.</summary>
    public static IEnumerable<string> Of(HttpContext context) =>
        (context.Request.GetTypedHeaders().AcceptLanguage ?? [])
            .OrderByDescending(l => l, StringWithQualityHeaderValueComparer.QualityComparer)
            .Select(l => l.Value.ToString().Split('-')[0].ToLowerInvariant());
}
