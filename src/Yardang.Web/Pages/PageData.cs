using System.Text.Json;
using Microsoft.AspNetCore.Html;
using Microsoft.Extensions.Localization;

namespace Yardang.Web.Pages;

/// <summary>Facts and texts that a page hands to its scripts. The default encoder leaves nothing that could end the element.</summary>
public static class PageData
{
    private static readonly JsonSerializerOptions s_options = new(JsonSerializerDefaults.Web);

    /// <summary>The element that <c>page-data.ts</c> reads.</summary>
    public static IHtmlContent Write(object data) =>
        new HtmlString($"<script type=\"application/json\" id=\"page-data\">{JsonSerializer.Serialize(data, s_options)}</script>");

    /// <summary>The named texts, for the scripts.</summary>
    public static Dictionary<string, object> Texts(IStringLocalizer<UiTexts> texts, string prefix, params string[] names) =>
        names.ToDictionary(n => char.ToLowerInvariant(n[0]) + n[1..], n => (object)texts[$"{prefix}.{n}"].Value, StringComparer.Ordinal);
}
