using System.Collections.Concurrent;
using Microsoft.AspNetCore.Razor.TagHelpers;

namespace Yardang.Web;

/// <summary>Puts an icon into the page: <c>&lt;icon name="pen" /&gt;</c>. Decoration only; a word always stands beside it.</summary>
public sealed class IconTagHelper(IWebHostEnvironment environment) : TagHelper
{
    private static readonly ConcurrentDictionary<string, string> s_icons = new(StringComparer.Ordinal);

    public required string Name { get; set; }

    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        var svg = s_icons.GetOrAdd(Name, name =>
        {
            using var reader = new StreamReader(environment.WebRootFileProvider.GetFileInfo($"dist/icons/{name}.svg").CreateReadStream());
            return reader.ReadToEnd();
        });
        output.TagName = null;
        output.Content.SetHtmlContent(svg.Replace("<svg ", "<svg class=\"icon\" aria-hidden=\"true\" focusable=\"false\" ", StringComparison.Ordinal));
    }
}
