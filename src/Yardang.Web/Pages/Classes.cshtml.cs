using System.Security.Claims;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.ClassLists;
using Yardang.Data.School;
using Yardang.Web.ClassLists;

namespace Yardang.Web.Pages;

/// <summary>A teacher's class lists, and one of them.</summary>
[Authorize]
public sealed class ClassesModel(ClassListShelf shelf, IStringLocalizer<UiTexts> texts) : PageModel
{
    public IReadOnlyList<(ClassListRecord List, int People)> Lists { get; private set; } = [];

    /// <summary>The list that is looked at; null for all.</summary>
    public ClassListRecord? List { get; private set; }

    public IReadOnlyList<ClassEntry> Entries { get; private set; } = [];

    /// <summary>What stands in the form.</summary>
    public string Name { get; private set; } = "";

    /// <summary>What stands in the form, a line for each person.</summary>
    public string Lines { get; private set; } = "";

    /// <summary>Why nothing was taken, line by line.</summary>
    public IReadOnlyList<string> Said { get; private set; } = [];

    private Guid TeacherId => Guid.Parse(User.FindFirstValue(ClaimTypes.NameIdentifier)!);

    public async Task<IActionResult> OnGetAsync(Guid? id)
    {
        if (!await FindAsync(id)) return NotFound();
        Name = List?.Name ?? "";
        Lines = string.Join('\n', Entries.Select(e => e.Level > 0 ? $"{e.Number}, {e.Name}, {e.Level}" : $"{e.Number}, {e.Name}".TrimEnd(' ', ',')));
        if (Entries.Any(e => e.Level > 0)) Lines = $"number, name, level\n{Lines}";
        return Page();
    }

    public async Task<IActionResult> OnGetCsvAsync(Guid id) => await FindAsync(id) ? File(ClassListFile.Write(Entries), "text/csv", $"{List!.Name}.csv") : NotFound();

    public async Task<IActionResult> OnPostKeepAsync(Guid? id, string? name, string? people, IFormFile? file)
    {
        if (!await FindAsync(id)) return NotFound();
        (Name, Lines) = (name?.Trim() ?? "", people ?? "");
        if (Name.Length is 0 or > ClassListShelf.NameLength) return Refuse(texts["Classes.NeedsName", ClassListShelf.NameLength]);
        if (file?.Length > ClassListFile.MaxBytes) return Refuse(texts["Classes.TooLarge"]);

        var (entries, problems) = file is { Length: > 0 } ? ClassListFile.Read(await BytesAsync(file)) : ClassListFile.Read(Lines);
        if (problems.Length > 0) return Refuse([.. problems.Select(p => texts[$"Classes.Fault.{p.Fault}", p.Line, p.Value].Value)]);
        if (entries.Length == 0) return Refuse(texts["Classes.Nobody"]);
        return Redirect($"/classes/{await shelf.KeepAsync(TeacherId, id, Name, entries)}");
    }

    public async Task<IActionResult> OnPostDeleteAsync(Guid id)
    {
        await shelf.DeleteAsync(TeacherId, id);
        return Redirect("/classes");
    }

    private PageResult Refuse(params string[] why)
    {
        Said = why;
        return Page();
    }

    private async Task<bool> FindAsync(Guid? id)
    {
        Lists = await shelf.OfAsync(TeacherId);
        if (id is not { } wanted) return true;
        List = await shelf.FindAsync(TeacherId, wanted);
        if (List is null) return false;
        Entries = await shelf.EntriesAsync(wanted);
        return true;
    }

    private static async Task<byte[]> BytesAsync(IFormFile file)
    {
        using var bytes = new MemoryStream();
        await file.CopyToAsync(bytes);
        return bytes.ToArray();
    }
}
