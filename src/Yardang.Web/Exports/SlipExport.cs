using System.Globalization;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Lessons;
using Yardang.Data.School;
using Yardang.Rendering;
using Yardang.Web.Access;

namespace Yardang.Web.Exports;

/// <summary>Join slips of a lesson: one for everybody on its class list, or a page of them to write names on.</summary>
public sealed class SlipExport(AccessResolver access, IDbContextFactory<SchoolContext> school, ExportDesk desk, IStringLocalizer<UiTexts> texts)
{
    private const int Blank = JoinSlips.APage * 4;

    /// <summary>The slips as PDF.</summary>
    public async Task<IResult> PdfAsync(HttpContext context, Guid id)
    {
        if (await access.LessonAsync(Visitor.Of(context), id, Power.Runs) is not { } lesson) return Results.NotFound();
        await using var db = await school.CreateDbContextAsync();
        var listed = await db.Participants.Where(p => p.LessonId == id && p.ListNumber != null).OrderBy(p => p.ListNumber).ToListAsync();
        var link = $"{context.Request.Scheme}://{context.Request.Host}/join/{lesson.Code}";
        IReadOnlyList<JoinSlip> slips = listed.Count > 0
            ? [.. listed.Select(p => Slip(p.Name, p.ListNumber))]
            : [.. Enumerable.Repeat(Slip("", null), Blank)];
        var title = texts["Slips.Title", lesson.Title].Value;
        return await desk.GiveAsync(_ => JoinSlips.Pdf(slips, title), "application/pdf", $"{texts["Slips.File"]} {lesson.Code}.pdf", context.RequestAborted);

        JoinSlip Slip(string name, int? number)
        {
            var isNamed = name.Length > 0 && !string.Equals(name, number?.ToString(CultureInfo.InvariantCulture), StringComparison.Ordinal);
            var who = isNamed ? name : number is { } n ? texts["Slips.Number", n] : "";
            var more = string.Join(" · ", new[] { isNamed && number is { } known ? texts["Slips.Number", known].Value : "", lesson.PasswordHash is null ? "" : texts["Slips.Password"].Value }.Where(t => t.Length > 0));
            return new(lesson.Title, who, texts["Slips.GoTo", context.Request.Host], lesson.Code.Shown, more, QrSquares.Of(number is { } own ? $"{link}?n={own}" : link));
        }
    }
}
