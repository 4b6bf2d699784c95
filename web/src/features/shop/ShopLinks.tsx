import { may } from '@zephyrcombe/contract';
import { NavLink } from 'react-router';
import styled from 'styled-components';
import { usePerson } from '../../app/SessionContext.ts';
import { Line } from '../../design/layout.ts';

const Links = styled(Line)`
  row-gap: 0;
  a[aria-current] {
    font-weight: 650;
    text-decoration: none;
  }
`;

/** The pages about the shop itself. */
export function ShopLinks() {
  const me = usePerson();
  return (
    <Links as="nav" aria-label="The shop" $gap={18}>
      <NavLink to="/shop" end>
        What is settled
      </NavLink>
      <NavLink to="/shop/wrenches">Torque wrenches</NavLink>
      {may(me, 'keepPeople') ? <NavLink to="/shop/people">People, and who may what</NavLink> : null}
      <NavLink to="/shop/sign-ins">Passphrase and sign-ins</NavLink>
    </Links>
  );
}
