/** What is needed now and then on a screen, behind one button. */
import MoreVertOutlined from "@mui/icons-material/MoreVertOutlined";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import {
  Children,
  cloneElement,
  isValidElement,
  useState,
  type MouseEvent,
  type MouseEventHandler,
  type ReactNode,
} from "react";
import { Link } from "react-router";

interface Pressed {
  readonly onClick?: MouseEventHandler;
}

interface MoreProps {
  /** Items of the menu; a press on one closes it. They stay its own children, for the arrow keys. */
  readonly children: ReactNode;
  /** What they are about, where there is a menu in each row: then it is a small button. */
  readonly about?: string;
}

export function MoreMenu({ children, about }: MoreProps) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const close = () => setAnchor(null);
  const opener = {
    "aria-haspopup": "menu",
    "aria-expanded": anchor !== null,
    onClick: (event: MouseEvent<HTMLElement>) => setAnchor(event.currentTarget),
  } as const;
  return (
    <>
      {about === undefined ? (
        <Button variant="outlined" {...opener}>
          More
        </Button>
      ) : (
        <IconButton size="small" aria-label={`More: ${about}`} {...opener}>
          <MoreVertOutlined />
        </IconButton>
      )}
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
