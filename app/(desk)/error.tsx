'use client';

import { Button, Result } from 'antd';

export default function DeskError({ reset }: { error: Error; reset: () => void }) {
  return (
    <div className="page" role="alert">
      <Result
        icon={null}
        title={<h1 className="result-title">This page could not be made</h1>}
        subTitle="Something went wrong on our side. What you saved is kept, and nothing was changed."
        extra={
          <Button type="primary" onClick={reset}>
            Try again
          </Button>
        }
      />
    </div>
  );
}
