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

    public bool FirstNamesOnly { get; private set; }

    /// <summary>Why nothing was taken, line by line.</summary>
    public IReadOnlyList<string> Said { get; private set; } = [];

    private Guid TeacherId => Guid.Parse(User.FindFirstValue(ClaimTypes.NameIdentifier)!);

    public async Task<IActionResult> OnGetAsync(Guid? id)
    {
        if (!await FindAsync(id)) return NotFound();
        Name = List?.Name ?? "";
        FirstNamesOnly = List?.FirstNamesOnly ?? false;
        Lines = LinesOf(Entries);
        return Page();
    }

    public async Task<IActionResult> OnGetCsvAsync(Guid id) => await FindAsync(id) ? File(ClassListFile.Write(Entries), "text/csv", $"{List!.Name}.csv") : NotFound();

    public async Task<IActionResult> OnPostKeepAsync(Guid? id, string? name, string? people, bool firstNamesOnly, IFormFile? file)
    {
        if (!await FindAsync(id)) return NotFound();
        (Name, Lines, FirstNamesOnly) = (name?.Trim() ?? "", people ?? "", firstNamesOnly);
        if (file is not null && Path.GetExtension(file.FileName).Equals(".zip", StringComparison.OrdinalIgnoreCase)) return await KeepRosterAsync(id, file);
        if (Name.Length is 0 or > ClassListShelf.NameLength) return Refuse(texts["Classes.NeedsName", ClassListShelf.NameLength]);
        if (file?.Length > ClassListFile.MaxBytes) return Refuse(texts["Classes.TooLarge"]);

        var (entries, problems) = file is { Length: > 0 } ? ClassListFile.Read(await BytesAsync(file)) : ClassListFile.Read(Lines);
        if (problems.Length > 0) return Refuse([.. problems.Select(p => texts[$"Classes.Fault.{p.Fault}", p.Line, p.Value].Value)]);
        if (entries.Length == 0) return Refuse(texts["Classes.Nobody"]);
        return Redirect($"/classes/{await shelf.KeepAsync(TeacherId, id, Name, entries, firstNamesOnly)}");
    }

    public async Task<IActionResult> OnPostDeleteAsync(Guid id)
    {
        await shelf.DeleteAsync(TeacherId, id);
        return Redirect("/classes");
    }

    /// <summary>The list as a OneRoster archive.</summary>
    public async Task<IActionResult> OnGetRosterAsync(Guid id) => await FindAsync(id) ? File(OneRosterFile.Write(List!.Name, id, Entries), "application/zip", $"{List.Name}.zip") : NotFound();

    /// <summary>Gives those without a name one that can be said aloud.</summary>
    public async Task<IActionResult> OnPostAliasAsync(Guid id)
    {
        if (!await FindAsync(id)) return NotFound();
        await shelf.KeepAsync(TeacherId, id, List!.Name, Alias.Give(Entries, Random.Shared), List.FirstNamesOnly);
        return Redirect($"/classes/{id}");
    }

    // Of a school's whole register, the class that has the name in the form; if there is only one, that.
    private async Task<IActionResult> KeepRosterAsync(Guid? id, IFormFile file)
    {
        if (file.Length > OneRosterFile.MaxBytes) return Refuse(texts["Classes.RosterTooLarge"]);
        var (classes, problems) = OneRosterFile.Read(await BytesAsync(file));
        if (problems.Length > 0) return Refuse([.. problems.Select(p => p.Line > 0 ? texts["Classes.InFile", p.File, p.Line, texts[$"Classes.Roster.{p.Fault}", p.Value]].Value : texts[$"Classes.Roster.{p.Fault}", p.Value].Value)]);
        if (classes.Length == 0) return Refuse(texts["Classes.Nobody"]);
        var meant = classes.Length == 1 ? classes[0] : classes.FirstOrDefault(c => string.Equals(c.Title, Name, StringComparison.OrdinalIgnoreCase));
        if (meant is null) return Refuse(texts["Classes.WhichOne", string.Join(", ", classes.Select(c => c.Title))]);
        var called = Name.Length is > 0 and <= ClassListShelf.NameLength ? Name : meant.Title[..Math.Min(meant.Title.Length, ClassListShelf.NameLength)];
        return Redirect($"/classes/{await shelf.KeepAsync(TeacherId, id, called, meant.Entries, FirstNamesOnly)}");
    }

    // With a first line that names the columns, if there is more than number and name.
    private static string LinesOf(IReadOnlyList<ClassEntry> entries)
    {
        var (levels, languages) = (entries.Any(e => e.Level > 0), entries.Any(e => e.Language.Length > 0));
        var lines = entries.Select(e => string.Join(", ", new[] { $"{e.Number}", e.Name, levels ? $"{e.Level}" : "", languages ? e.Language : "" }).TrimEnd(' ', ','));
        return levels || languages ? $"number, name, {(levels ? "level" : "")}, {(languages ? "language" : "")}".TrimEnd(' ', ',') + $"\n{string.Join('\n', lines)}" : string.Join('\n', lines);
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
