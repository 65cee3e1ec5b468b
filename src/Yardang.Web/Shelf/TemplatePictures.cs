using System.Collections.Concurrent;
using Microsoft.Extensions.Localization;
using Yardang.Core.Cupboard;
using Yardang.Core.Pages;
using Yardang.Core.Walls;
using Yardang.Rendering;

namespace Yardang.Web.Shelf;

/// <summary>The first page of each of the program's templates as a small picture.</summary>
public sealed class TemplatePictures(IStringLocalizer<UiTexts> texts)
{
    private const float Dpi = 44;

    // So that a wall's words can be read in it.
    private static readonly PageSize s_small = new(20_000, 14_140);

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
        if (content.Steps.FirstOrDefault(p => p.Wall is not null)?.Wall is { } plan) return PageExport.Png(PictureOf(plan), Dpi * PageSize.A4Wide.Width / s_small.Width);
        var page = content.Pages[0];
        var marks = content.Marks.Where(m => m.Page == page.Id).ToList();
        return PageExport.Png(new ExportPage(page, marks, content.Unit, _ => null, ""), Dpi);
    }

    // Cards as if some had put them up already.
    private static ExportPage PictureOf(WallPlan plan)
    {
        var language = ContentLanguage.Current;
        WallSlip[] some = [new("…\n ", ""), new("…\n ", "")];
        var bands = plan.Topics.IsEmpty ? [new WallBand("", "", 0, [.. some, .. some, .. some, .. some, .. some])] : plan.Topics.Select(t => new WallBand(t.Heading.For(language), t.Prompt.For(language), t.Colour, some)).ToList();
        return WallPages.On(s_small, new WallSheet(plan.Question.For(language), bands, [], "", _ => null))[0];
    }
}
