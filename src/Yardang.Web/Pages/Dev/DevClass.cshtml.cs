using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Yardang.Web.Demo;

namespace Yardang.Web.Pages;

/// <summary>Pauses the simulated class. Only there in the demo.</summary>
public sealed class DevClassModel(IServiceProvider services) : PageModel
{
    private readonly DemoSchool? _demo = services.GetService<DemoSchool>();

    public bool Paused => _demo?.Paused ?? false;

    public IActionResult OnGet() => _demo is { IsAtWork: true } ? Page() : NotFound();

    public IActionResult OnPost()
    {
        if (_demo is not { IsAtWork: true }) return NotFound();
        if (_demo.Paused) _demo.GoOn();
        else _demo.Pause();
        return RedirectToPage();
    }
}
