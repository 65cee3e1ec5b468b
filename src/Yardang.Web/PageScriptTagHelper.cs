using System.Text.Json;
using Microsoft.AspNetCore.Razor.TagHelpers;

namespace Yardang.Web;

/// <summary>
/// The script of a page: <c>&lt;page-script name="board" /&gt;</c>. What it rests on is named beside it (in <c>dist/scripts.json</c>, which the build of the client writes),
/// so that a browser fetches all of it at once and need not read the script first.
/// </summary>
public sealed class PageScriptTagHelper(IWebHostEnvironment environment) : TagHelper
{
    private static (DateTimeOffset Of, Dictionary<string, string[]> Scripts)? s_known;

    public required string Name { get; set; }

    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        var links = string.Concat(RestingOn(Name).Select(file => $"<link rel=\"modulepreload\" href=\"/dist/{file}\">"));
        output.TagName = null;
        output.Content.SetHtmlContent($"{links}<script type=\"module\" src=\"/dist/{Name}.js\"></script>");
    }

    private string[] RestingOn(string name)
    {
        var file = environment.WebRootFileProvider.GetFileInfo("dist/scripts.json");
        if (s_known is not { } known || known.Of != file.LastModified)
        {
            using var stream = file.CreateReadStream();
            s_known = known = (file.LastModified, JsonSerializer.Deserialize<Dictionary<string, string[]>>(stream)!);
        }

        return known.Scripts[name];
    }
}
