/** What is needed now and then on a screen, behind one button. */
import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { Children, cloneElement, isValidElement, useState, type MouseEventHandler, type ReactNode } from "react";
import { Link } from "react-router";

interface Pressed {
  readonly onClick?: MouseEventHandler;
}

/** `children`: items of the menu; a press on one closes it. The items stay its own children, for the arrow keys. */
export function MoreMenu({ children }: { readonly children: ReactNode }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const close = () => setAnchor(null);
  return (
    <>
      <Button
        variant="outlined"
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        More
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={close}>
        {Children.map(children, (item) =>
          isValidElement<Pressed>(item)
            ? cloneElement(item, {
                onClick: (event) => {
                  close();
                  item.props.onClick?.(event);
                },
              })
            : item,
        )}
      </Menu>
    </>
  );
}

/** An item that leads to another page: a `MenuItem` with the address, kept plain so that the menu finds it. */
export const menuLink = (to: string, label: string) => (
  <MenuItem key={to} component={Link} to={to}>
    {label}
  </MenuItem>
);
