using System.Globalization;
using System.Net;
using System.Text;
using Microsoft.Extensions.Localization;
using Yardang.Web.Pages;

namespace Yardang.Web.PersonalData;

/// <summary>What is kept of a student as a page that can be read without this program.</summary>
public sealed class PersonPage(IStringLocalizer<UiTexts> texts)
{
    /// <summary>The page, HTML.</summary>
    public string Of(PersonKeptModel model)
    {
        var (record, page) = (model.Kept.Record, new StringBuilder());
        static string E(string words) => WebUtility.HtmlEncode(words);
        page.Append(CultureInfo.CurrentCulture, $"<!doctype html><html lang=\"{E(ContentLanguage.Current)}\"><meta charset=\"utf-8\"><title>{E(record.Name)}</title>");
        page.Append("<style>body{font:1.1rem/1.5 system-ui,sans-serif;max-width:48rem;margin:2rem auto;padding:0 1rem}li{white-space:pre-line}</style>");
        page.Append(CultureInfo.CurrentCulture, $"<h1>{E(record.Name)}</h1><p>{E(model.Lesson.Name)} · {E(model.Lesson.ClassName)}</p><ul>");
        foreach (var line in LinesOf(model)) page.Append(CultureInfo.CurrentCulture, $"<li>{E(line)}</li>");
        page.Append("</ul>");
        foreach (var room in model.Kept.Rooms)
        {
            page.Append(CultureInfo.CurrentCulture, $"<h2>{E(model.TitleOf(room))}</h2>");
            if (room.IsSealed) page.Append(CultureInfo.CurrentCulture, $"<p>{E(texts["PersonKept.Sealed"])}</p>");
            page.Append(CultureInfo.CurrentCulture, $"<p>{E(string.Join(" · ", model.CountsOf(room)))}</p><ul>");
            foreach (var thing in PersonKeptModel.WordsOf(room)) page.Append(CultureInfo.CurrentCulture, $"<li>{E(thing.Words)} <small>({E(model.KindOf(thing.Kind))}, {E(texts[$"PersonKept.State.{thing.State}"])})</small></li>");
            page.Append("</ul>");
        }

        return page.Append("</html>").ToString();
    }

    /// <summary>What the tables say of them, a line each.</summary>
    public IEnumerable<string> LinesOf(PersonKeptModel model)
    {
        var record = model.Kept.Record;
        yield return texts["PersonKept.Came", model.Came];
        if (record.ListNumber is { } number) yield return texts["PersonKept.ListNumber", number];
        if (record.Level > 0) yield return texts["PersonKept.Level", record.Level];
        if (record.Language.Length > 0) yield return texts["PersonKept.Language", record.Language];
        yield return texts["PersonKept.Devices", record.KeyRound];
    }
}
