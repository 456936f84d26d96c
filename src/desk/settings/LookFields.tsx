import { Button, Form, Input } from 'antd';
import { contrast, isLegible } from '@/core/text/contrast';
import { PictureField } from '@/desk/PictureField';

export interface Look {
  readonly logo: string | null;
  readonly color: string | null;
}

/** The color of the product, where a company has none of its own. */
const OURS = '#1f5946';

/** How the company looks on what customers get: its logo, and the color of titles and buttons, which has to be read. */
export function LookFields({
  look: { logo, color },
  name,
  disabled,
  change,
}: {
  readonly look: Look;
  readonly name: string;
  readonly disabled: boolean;
  readonly change: (look: Partial<Look>) => void;
}) {
  const light = color !== null && !isLegible(color);
  return (
    <div className="fields-in-two">
      <Form.Item label="Logo" extra="PNG or JPEG; customers see it at the head of their page.">
        <span className="look-logo">
          <PictureField
            of={name || 'the company'}
            picture={logo ?? undefined}
            readOnly={disabled}
            put={(picture) => change({ logo: picture })}
          />
          {logo && !disabled && (
            <Button size="small" type="text" onClick={() => change({ logo: null })}>
              Remove the logo
            </Button>
          )}
        </span>
      </Form.Item>
      <Form.Item
        label="Color of titles and buttons"
        htmlFor="look-color"
        validateStatus={light ? 'error' : ''}
        help={
          light
            ? `Too light to be read on paper: ${contrast(color, '#ffffff').toFixed(1)} to 1, at least 4.5 is needed.`
            : undefined
        }
      >
        <span className="look-color">
          <Input
            id="look-color"
            type="color"
            disabled={disabled}
            value={color ?? OURS}
            onChange={({ target }) => change({ color: target.value.toLowerCase() })}
          />
          {color === null ? (
            <span className="soft">as the product has it</span>
          ) : (
            <>
              <strong style={{ color }}>As it is read</strong>
              {!disabled && (
                <Button size="small" type="text" onClick={() => change({ color: null })}>
                  As the product has it
                </Button>
              )}
            </>
          )}
        </span>
      </Form.Item>
    </div>
  );
}
