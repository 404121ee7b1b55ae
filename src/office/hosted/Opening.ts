/** Something that has to be opened before it can be asked; once it is, it is asked in the same turn. */
export class Opening {
  private isOpen = false;
  private open: () => void = () => undefined;
  private readonly opened = new Promise<void>((resolve) => (this.open = resolve));

  done(): void {
    this.isOpen = true;
    this.open();
  }

  async whenOpen<T>(act: () => Promise<T>): Promise<T> {
    if (!this.isOpen) await this.opened;
    return act();
  }
}
