using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Yardang.Web.Demo;

namespace Yardang.Web.Pages;

/// <summary>Pauses the simulated class. Only there in the demo.</summary>
public sealed class DevClassModel(IServiceProvider services) : PageModel
{
    private readonly DemoSchool? _demo = services.GetService<DemoSchool>();

    public bool Paused => _demo?.Class?.Paused ?? false;

    public IActionResult OnGet() => _demo?.Class is null ? NotFound() : Page();

    public IActionResult OnPost()
    {
        if (_demo?.Class is not { } simulated) return NotFound();
        if (simulated.Paused) simulated.GoOn();
        else simulated.Pause();
        return RedirectToPage();
    }
}
