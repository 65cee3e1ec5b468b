using System.Collections.Concurrent;
using Microsoft.Extensions.Localization;
using Yardang.Core.Cupboard;
using Yardang.Rendering;

namespace Yardang.Web.Shelf;

/// <summary>The first page of each of the program's templates as a small picture.</summary>
public sealed class TemplatePictures(IStringLocalizer<UiTexts> texts)
{
    private const float Dpi = 44;

    private readonly ConcurrentDictionary<(string Key, string Language), byte[]> _made = new();

    /// <summary>The picture.</summary>
    public IResult Get(HttpContext context, string key)
    {
        if (Templates.Find(key) is not { } template) return Results.NotFound();
        context.Response.Headers.CacheControl = "private, max-age=3600";
        return Results.Bytes(_made.GetOrAdd((key, ContentLanguage.Current), _ => Draw(template)), "image/png");
    }

    private byte[] Draw(Template template)
    {
        var content = TextFit.Fit(template.Content(ContentLanguage.Current, text => texts[text]));
        var page = content.Pages[0];
        var marks = content.Marks.Where(m => m.Page == page.Id).ToList();
        return PageExport.Png(new ExportPage(page, marks, content.Unit, _ => null, ""), Dpi);
    }
}
