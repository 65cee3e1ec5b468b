using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Yardang.Web.Pages;

/// <summary>Every part and token of the design, for those who build screens. Only there in development.</summary>
public sealed class DevPartsModel(IWebHostEnvironment environment) : PageModel
{
    public static readonly IReadOnlyList<string> Tokens =
        ["ink", "ink-soft", "ground", "panel", "sunk", "line", "edge", "press", "need", "refuse", "teacher", "kept"];

    public IActionResult OnGet() => environment.IsDevelopment() ? Page() : NotFound();
}
