// A page of a site that the school names, shown inside as long as somebody wishes it: what plays in it ends with it.

export class FramedPage extends HTMLElement {
  connectedCallback(): void {
    if (this.firstChild) return;
    const details = document.createElement('details');
    const summary = document.createElement('summary');
    summary.className = 'button button-small button-quiet';
    summary.textContent = this.getAttribute('label');
    details.append(summary);
    details.addEventListener('toggle', () =>
      details.open ? details.append(this.page()) : summary.nextSibling?.remove(),
    );
    this.append(details);
  }

  private page(): HTMLIFrameElement {
    const page = document.createElement('iframe');
    const address = this.getAttribute('src')!;
    page.sandbox.add('allow-scripts', 'allow-same-origin', 'allow-presentation');
    page.referrerPolicy = 'no-referrer';
    page.allow = 'fullscreen';
    page.title = address;
    page.src = address;
    return page;
  }
}

customElements.define('framed-page', FramedPage);
